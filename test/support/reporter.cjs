// Mocha's own listing, then one last line that a machine can read.
const { reporters } = require('mocha');

/** So long a process may take to end after its last test, ms: what keeps it is left open by something. */
const ENDING_MS = 15_000;

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
      // It does not keep the process itself: where it runs, something else does.
      setTimeout(() => {
        console.error(
          `The tests have ended and their process has not. Open: ${process.getActiveResourcesInfo()}`,
        );
        process.stdout.write(`${passes} passed, ${failures + 1} failed\n`);
        process.exit(1);
      }, ENDING_MS).unref();
      // What suites share is open until here.
      for (const close of globalThis.veltoAtEnd ?? []) close();
      process.stdout.write(`${passes} passed, ${failures} failed\n`);
    });
  }
};
