// Reads the TypeScript of tests. Mocha is told to import them: with `require` tried first, what went wrong while a test
// was loading would be told as a directory that cannot be imported.
import '@oxc-node/core/register';

Object.defineProperty(process.features, 'require_module', { value: false });
