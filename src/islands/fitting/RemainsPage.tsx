import type { Remains } from '../../contract';
import { Frame } from '../../ui/Frame';
import type { PageProps } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { sayDate, word } from '../../words';
import { SettingRows } from '../shared/settings/SettingRows';

/** What is kept of a fitting whose sitter was deleted: seat, date and settings, without the person. */
export default function RemainsPage({
  page,
  remains,
}: {
  readonly page: PageProps;
  readonly remains: Remains;
}) {
  const facts = [remains.seat, remains.place, remains.method, sayDate(remains.date, page.reading)];
  return (
    <Frame page={page} area="fittings">
      <div className={parts.head}>
        <h1>{word('remains.title')}</h1>
      </div>
      <p>{word('remains.explain')}</p>
      <p>
        <strong>{facts.filter(Boolean).join(' · ')}</strong>
      </p>
      <SettingRows settings={remains.settings} reading={page.reading} />
    </Frame>
  );
}
