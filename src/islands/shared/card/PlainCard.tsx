import '../../../words/cards';
import type { PlainSheet, PlainStep } from '../../../drawing/card-forms';
import { PictogramRow } from '../../../drawing/Pictogram';
import { CardBlock } from './CardBlock';
import { CodeMark, type PrintedCode } from './CodeMark';
import styles from './plain-card.module.css';

function Step({ step }: { readonly step: PlainStep }) {
  return (
    <li className={styles.step}>
      {step.pictograms.length > 0 && (
        <span className={styles.pictures}>
          <PictogramRow ids={step.pictograms} />
        </span>
      )}
      <h3>{step.name}</h3>
      <p className={styles.setting}>{step.setting}</p>
      {step.check && <p>{step.check}</p>}
      {step.how && <p className={styles.how}>{step.how}</p>}
    </li>
  );
}

/** A card in one of its plain forms: for the sitter, a shared seat, the pocket. */
export function PlainCard({
  sheet,
  code,
}: {
  readonly sheet: PlainSheet;
  readonly code: PrintedCode | null;
}) {
  return (
    <article className={styles.card} data-form={sheet.form} aria-label={sheet.title}>
      <header className={styles.head}>
        <div>
          <h2>{sheet.title}</h2>
          {sheet.draft && <p className={styles.draft}>{sheet.draft}</p>}
          {sheet.heads.map((text) => (
            <p key={text}>{text}</p>
          ))}
        </div>
        {code && <CodeMark code={code} caption={sheet.code} />}
      </header>
      {sheet.refusals.length > 0 && (
        <section className={styles.refused}>
          {sheet.refusals.map((text) => (
            <p key={text}>{text}</p>
          ))}
        </section>
      )}
      {sheet.first.map((text) => (
        <p key={text} className={styles.line}>
          {text}
        </p>
      ))}
      {sheet.steps.length > 0 && (
        <ol className={styles.steps}>
          {sheet.steps.map((step) => (
            <Step key={step.name} step={step} />
          ))}
        </ol>
      )}
      {sheet.rest.map((text) => (
        <p key={text} className={styles.line}>
          {text}
        </p>
      ))}
      {sheet.blocks.map((block) => (
        <CardBlock key={block.title} {...block} />
      ))}
    </article>
  );
}
