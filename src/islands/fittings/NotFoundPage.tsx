import { Frame } from '../../ui/Frame';
import type { PageProps } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';

export default function NotFoundPage({ page }: { readonly page: PageProps }) {
  return (
    <Frame page={page} area="fittings">
      <div className={parts.empty}>
        <h1>{word('fault.notFound')}</h1>
        <p>
          <a href="/">{word('fault.notFound.back')}</a>
        </p>
      </div>
    </Frame>
  );
}
