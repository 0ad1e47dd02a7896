/** Mocha's spec reporter, which also writes how many passed and failed to a file. */
const { writeFileSync } = require('node:fs');
const { reporters, Runner } = require('mocha');

module.exports = class extends reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    runner.once(Runner.constants.EVENT_RUN_END, () => {
      const { passes, failures } = this.stats;
      writeFileSync(options.reporterOption.output, JSON.stringify({ passes, failures }));
    });
  }
};
