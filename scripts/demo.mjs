import { needBuild, needNode, needPackages, root } from './steps.mjs';

needNode();
needPackages();
needBuild();
process.chdir(root);
process.argv.push('--demo');
await import('../dist/server.mjs');
