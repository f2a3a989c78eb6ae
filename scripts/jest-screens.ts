import { TextDecoder, TextEncoder } from 'node:util';
import { configure } from '@testing-library/react';
import '@testing-library/jest-dom';

// Class names reach the DOM only once the styled components are registered.
// eslint-disable-next-line @typescript-eslint/no-require-imports -- it has no types and registers by being loaded
require('react-native-css-interop/dist/runtime/components');

// What the build puts in the place of import.meta, for the addresses of workers.
Object.assign(globalThis, { __ExpoImportMetaRegistry: { url: 'http://localhost/' } });

// Every browser has these; the DOM of the tests does not.
Object.assign(globalThis, { TextDecoder, TextEncoder });

// Whether a part is hidden is asked of the browser's own styles, element by element: minutes, in a DOM that has no layout
// anyway. The end-to-end tests see what is hidden.
configure({ defaultHidden: true });
