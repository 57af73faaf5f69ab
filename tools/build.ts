import { ensureServerBuild } from './serverBuild';
import { ensureWebBuild } from './webBuild';

ensureServerBuild();
await ensureWebBuild();
