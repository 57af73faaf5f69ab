import { ensureWebBuild } from './webBuild';

await ensureWebBuild();
