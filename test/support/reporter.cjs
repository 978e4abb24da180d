// Mocha's own listing, then one last line that a machine can read.
const { reporters } = require('mocha');

module.exports = class Summary extends reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    runner.once('end', () => {
      const { passes, failures } = runner.stats;
      process.stdout.write(`${passes} passed, ${failures} failed\n`);
    });
  }
};
