import { ensureWebBuild } from './webBuild';

ensureWebBuild();
