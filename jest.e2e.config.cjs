const unit = require("./jest.config.cjs");

/** Tests that drive the built server and the real pages. */
module.exports = { ...unit, roots: ["<rootDir>/tests"], globalSetup: "<rootDir>/tests/support/setup.cjs", testTimeout: 60_000 };
