import { createHash } from 'node:crypto';
import { expect } from 'chai';
import { contentPolicy, scriptHashes } from '../../src/server/content-policy';

const hashOf = (text: string): string => `'sha256-${createHash('sha256').update(text).digest('base64')}'`;

describe('the content security policy', () => {
  it('names inline scripts by their hash, each once, and no others', () => {
    const html =
      '<script>one()</script><script type="module">two()</script><script>one()</script><script src="/a.js"></script>';
    expect(scriptHashes(html)).to.deep.equal([hashOf('one()'), hashOf('two()')]);
  });

  it('finds a script over several lines', () =>
    expect(scriptHashes('<script>\na\n</script>')).to.deep.equal([hashOf('\na\n')]));

  it('allows our own scripts and those named, and nothing from elsewhere', () => {
    const policy = contentPolicy([hashOf('one()')]);
    expect(policy).to.include(`script-src 'self' ${hashOf('one()')};`);
    expect(policy).to.include("default-src 'self'");
    expect(policy).to.include("frame-ancestors 'none'");
    expect(policy).not.to.match(/script-src[^;]*unsafe/);
  });
});
