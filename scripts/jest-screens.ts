import '@testing-library/jest-dom';

// Class names reach the DOM only once the styled components are registered.
require('react-native-css-interop/dist/runtime/components');
