module.exports = {
  testEnvironment: "node",
  testTimeout: 120_000,
  roots: ["<rootDir>/src", "<rootDir>/demo", "<rootDir>/tests/core"],
  setupFiles: ["<rootDir>/tests/support/jsdom.cjs"],
  testMatch: ["**/*.test.ts", "**/*.test.tsx"],
  transform: {
    "^.+\\.(ts|tsx|mjs|js)$": [
      "@swc/jest",
      {
        jsc: { target: "es2022", parser: { syntax: "typescript", tsx: true }, transform: { react: { runtime: "automatic" } } },
        module: { type: "commonjs" },
      },
    ],
  },
  moduleNameMapper: {
    "^@contract/(.*)$": "<rootDir>/src/contract/$1",
    "^@core/(.*)$": "<rootDir>/src/core/$1",
    "^@tests/(.*)$": "<rootDir>/tests/$1",
    "^@ui/(.*)$": "<rootDir>/src/web/ui/$1",
  },
  transformIgnorePatterns: [
    "/node_modules/(?!(fractional-indexing|intl-messageformat|@formatjs|@tanstack/(react-table|table-core|react-store|store))/)",
  ],
};
