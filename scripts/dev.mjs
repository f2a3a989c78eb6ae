import { copyFonts } from './fonts.mjs';
import { needNode, needPackages, root, runs } from './steps.mjs';

needNode();
needPackages();
copyFonts(root);
runs('npx', ['expo', 'start', '--web', '--offline'], { EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1' });
