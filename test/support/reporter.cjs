// Mocha's own listing, then one last line that a machine can read.
const { reporters } = require('mocha');

module.exports = class Summary extends reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    // Outside of a describe it would run around every test of every file.
    const hooks = ['All', 'Each'].flatMap((when) => [
      runner.suite[`_before${when}`],
      runner.suite[`_after${when}`],
    ]);
    if (hooks.some((list) => list.length > 0)) throw new Error('A hook stands outside of every describe.');
    runner.once('end', () => {
      const { passes, failures } = runner.stats;
      process.stdout.write(`${passes} passed, ${failures} failed\n`);
    });
  }
};
