import { lazily } from '../../src/ui/layout/lazily';

export default lazily(async () => ({ default: (await import('../../src/screens/work')).WindowScreen }));
