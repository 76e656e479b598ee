const unit = require("./jest.config.cjs");

/** Tests that drive the built server and the real pages. */
module.exports = {
  ...unit,
  roots: ["<rootDir>/tests/http", "<rootDir>/tests/browser"],
  globalSetup: "<rootDir>/tests/support/setup.cjs",
  testTimeout: 600_000,
  forceExit: true,
};
