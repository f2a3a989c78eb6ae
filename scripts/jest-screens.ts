import '@testing-library/jest-dom';

// Class names reach the DOM only once the styled components are registered.
// eslint-disable-next-line @typescript-eslint/no-require-imports -- it has no types and registers by being loaded
require('react-native-css-interop/dist/runtime/components');
