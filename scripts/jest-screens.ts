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

// What is hidden, and the styles that a name is made of, would be looked up rule by rule in a DOM that has no layout
// anyway: two thirds of the time of these tests. Here an element has its own style and what its tag gives; the
// end-to-end tests see the rest.
configure({ defaultHidden: true });
const INLINE = new Set(['A', 'B', 'EM', 'I', 'LABEL', 'SMALL', 'SPAN', 'STRONG']);
window.getComputedStyle = ((element: HTMLElement) => {
  const own = element.style;
  const given: Readonly<Record<string, string>> = {
    display: own.display || (INLINE.has(element.tagName) ? 'inline' : 'block'),
    visibility: own.visibility || 'visible',
  };
  return {
    ...given,
    getPropertyValue: (name: string) => given[name] ?? own.getPropertyValue(name),
  };
}) as unknown as typeof window.getComputedStyle;
