import { lazily } from '../../src/ui/lazily';

export default lazily(async () => ({ default: (await import('../../src/screens/work')).PlatesScreen }));
