const alias = { '^@/(.*)$': '<rootDir>/$1' };

/** Core, store and server run as plain Node code, quickly; what is on screen runs in a real DOM. */
module.exports = {
  // A shared machine may be slow; a test that hangs is still told.
  testTimeout: 60_000,
  projects: [
    {
      displayName: 'core',
      testEnvironment: 'jest-environment-node-single-context',
      testMatch: [
        '<rootDir>/{core,cli,server,store,workers,demo,ui,features,scripts}/**/*.test.ts',
      ],
      transform: { '\\.m?[tj]s$': '<rootDir>/scripts/jest-esbuild.cjs' },
      transformIgnorePatterns: [
        '/node_modules/(?!(d3-|internmap|immer|@reduxjs|redux|reselect|content-disposition|cookie|ical\\.js|age-encryption|@noble|@scure))',
      ],
      setupFilesAfterEnv: ['<rootDir>/scripts/jest-draws.ts'],
      moduleNameMapper: alias,
    },
    {
      displayName: 'screens',
      preset: 'jest-expo/web',
      testMatch: ['<rootDir>/{ui,features}/**/*.test.tsx'],
      transform: {
        '\\.mjs$': '<rootDir>/scripts/jest-esbuild.cjs',
        '/(core|store|demo)/.*\\.ts$': '<rootDir>/scripts/jest-esbuild.cjs',
      },
      transformIgnorePatterns: [
        '/node_modules/(?!((jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|react-navigation|@react-navigation/.*|react-native-svg|nativewind|d3-|internmap|react-hotkeys-hook|marked|ical\\.js|age-encryption|@noble|@scure))',
      ],
      setupFilesAfterEnv: ['<rootDir>/scripts/jest-screens.ts'],
      moduleNameMapper: {
        // In the browser they come late; what they do is the same.
        '^\\.\\./visits/late$': '<rootDir>/features/visits/all.ts',
        '^\\.\\./pages/late$': '<rootDir>/features/today/reckoned.ts',
        '^\\./phone/late$': '<rootDir>/features/sheets/phone/address.ts',
        '^\\./lateIcs$': '<rootDir>/features/visits/ics.ts',
        '^\\./lateCsv$': '<rootDir>/features/data/csv.ts',
        '^\\./lateTable$': '<rootDir>/features/students/StudentTable.tsx',
        ...alias,
        '^lucide-react-native/icons/(.*)$':
          '<rootDir>/node_modules/lucide-react-native/dist/cjs/icons/$1.js',
        '^expo-router$': '<rootDir>/features/tests/router.tsx',
        '^immer$': '<rootDir>/node_modules/immer/dist/cjs/index.js',
        '^nanoid$': '<rootDir>/node_modules/nanoid/index.cjs',
      },
    },
  ],
};
