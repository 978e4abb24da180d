/** What a method chooses rather than counts: order of setting, ties, hand, arms, cautions. */
import { Checkbox, NativeSelect, TextInput } from '@mantine/core';
import {
  ARMS_TO,
  LOCK_USES,
  NEUTRAL_STARTS,
  SCREEN_WAYS,
  METHOD_CAUTIONS,
  ORDERS,
  ORDER_IDS,
  TIE_BREAKS,
  orderIdOf,
  type ArmsTo,
  type LockUse,
  type NeutralStart,
  type OrderId,
  type ScreenWay,
} from '../../core/method';
import { FINGER_COUNTS, HANDS_OF, type Fingers } from '../../core/target';
import parts from '../../ui/parts.module.css';
import { sayWith, word } from '../../words';
import { ENDS, REPORTED } from './method-text';
import { OrderedList } from './OrderedList';
import type { MethodForm } from './use-method-form';
import styles from './practice.module.css';

const FINGER_PAIRS = FINGER_COUNTS.flatMap((lo) =>
  FINGER_COUNTS.filter((hi) => hi >= lo).map((hi) => ({ lo, hi })),
);
const pairKey = ({ lo, hi }: Pick<Fingers, 'lo' | 'hi'>): string => `${lo}-${hi}`;
/** For the usual hand, where nobody measured one. */
const USUAL: Fingers = { lo: 3, hi: 4, whose: 'sitter' };

export const sayFingers = ({ lo, hi }: Pick<Fingers, 'lo' | 'hi'>): string =>
  sayWith(lo === hi ? 'methods.fingers.one' : 'methods.fingers.two', { lo, hi });

function Room({ form }: { readonly form: MethodForm }) {
  const { fingers } = form.text.ways;
  return (
    <>
      <NativeSelect
        label={word('methods.fingers')}
        value={fingers ? pairKey(fingers) : ''}
        data={[
          { value: '', label: word('methods.fingers.none') },
          ...FINGER_PAIRS.map((pair) => ({ value: pairKey(pair), label: sayFingers(pair) })),
        ]}
        error={form.faults.fingers}
        onChange={({ currentTarget: { value } }) => {
          const pair = FINGER_PAIRS.find((p) => pairKey(p) === value);
          form.choose({ fingers: pair && { ...(fingers ?? USUAL), ...pair } });
        }}
      />
      {fingers && (
        <NativeSelect
          label={word('methods.fingers.whose')}
          value={fingers.whose}
          data={HANDS_OF.map((whose) => ({ value: whose, label: word(`handOf.${whose}`) }))}
          onChange={(e) =>
            form.choose({ fingers: { ...fingers, whose: e.currentTarget.value as Fingers['whose'] } })
          }
        />
      )}
    </>
  );
}

function Order({ form }: { readonly form: MethodForm }) {
  const { order, again = [] } = form.text.ways;
  const id = orderIdOf(order);
  return (
    <section className={styles.panel} aria-label={word('methods.order')}>
      <h2>{word('methods.order')}</h2>
      <NativeSelect
        label={word('methods.orderAs')}
        value={id ?? ''}
        data={[
          ...(id ? [] : [{ value: '', label: word('order.own') }]),
          ...ORDER_IDS.map((known) => ({ value: known, label: word(`order.${known}`) })),
        ]}
        onChange={(e) => form.choose({ order: ORDERS[e.currentTarget.value as OrderId] })}
      />
      <details>
        <summary>{word('methods.orderOneByOne')}</summary>
        <OrderedList
          label={word('methods.order')}
          items={order}
          keyOf={(kind) => kind}
          nameOf={(kind) => word(`kind.${kind}`)}
          beside={(kind) => (
            <Checkbox
              label={word('methods.onceMore')}
              aria-label={`${word('methods.onceMore')}: ${word(`kind.${kind}`)}`}
              checked={again.includes(kind)}
              onChange={(e) =>
                form.choose({
                  again: e.currentTarget.checked ? [...again, kind] : again.filter((k) => k !== kind),
                })
              }
            />
          )}
          onChange={(next) => form.choose({ order: next })}
        />
      </details>
    </section>
  );
}

function Ties({ form }: { readonly form: MethodForm }) {
  const { tieBreaks } = form.text.ways;
  const left = TIE_BREAKS.filter((rule) => !tieBreaks.includes(rule));
  return (
    <section className={styles.panel} aria-label={word('methods.ties')}>
      <h2>{word('methods.ties')}</h2>
      <p className={parts.soft}>{word('methods.tiesHint')}</p>
      <OrderedList
        label={word('methods.ties')}
        items={tieBreaks}
        keyOf={(rule) => rule}
        nameOf={(rule) => word(`tieBreak.${rule}`)}
        onChange={(next) => form.choose({ tieBreaks: next })}
        canRemove
      />
      {left.length > 0 && (
        <p className={styles.acts}>
          {left.map((rule) => (
            <button
              key={rule}
              type="button"
              className={parts.plainButton}
              onClick={() => form.choose({ tieBreaks: [...tieBreaks, rule] })}
            >
              + {word(`tieBreak.${rule}`)}
            </button>
          ))}
        </p>
      )}
    </section>
  );
}

function Reported({ form }: { readonly form: MethodForm }) {
  const { reported } = form.text;
  return (
    <section className={styles.panel} aria-label={word('methods.reported')}>
      <h2>{word('methods.reported')}</h2>
      <p className={parts.soft}>{word('methods.reportedHint')}</p>
      {REPORTED.map((angle) => (
        <div key={angle} className={styles.choices}>
          {ENDS.map((end) => (
            <TextInput
              key={end}
              w="8rem"
              label={`${word(`angle.${angle}`)} ${word(`methods.${end}`)}`}
              value={reported[angle][end]}
              inputMode="decimal"
              error={end === 'lo' ? form.faults[`reported/${angle}`] : undefined}
              onChange={(e) =>
                form.put({
                  reported: { ...reported, [angle]: { ...reported[angle], [end]: e.currentTarget.value } },
                })
              }
            />
          ))}
        </div>
      ))}
    </section>
  );
}

function Cautions({ form }: { readonly form: MethodForm }) {
  const { cautions = [] } = form.text.ways;
  return (
    <section className={styles.panel} aria-label={word('methods.cautions')}>
      <h2>{word('methods.cautions')}</h2>
      {METHOD_CAUTIONS.map((caution) => (
        <Checkbox
          key={caution}
          label={word(`caution.method.${caution}`)}
          checked={cautions.includes(caution)}
          onChange={(e) =>
            form.choose({
              cautions: e.currentTarget.checked
                ? [...cautions, caution]
                : cautions.filter((c) => c !== caution),
            })
          }
        />
      ))}
    </section>
  );
}

export function MethodWaysForm({ form }: { readonly form: MethodForm }) {
  return (
    <>
      <div className={styles.choices}>
        <NativeSelect
          label={word('methods.arms')}
          value={form.text.ways.armsTo ?? 'elbow'}
          data={ARMS_TO.map((to) => ({ value: to, label: word(`armsTo.${to}`) }))}
          onChange={(e) => {
            const to = e.currentTarget.value as ArmsTo;
            form.choose({ armsTo: to === 'elbow' ? undefined : to });
          }}
        />
        <NativeSelect
          label={word('methods.lock')}
          value={form.text.ways.lock ?? 'shortWork'}
          data={LOCK_USES.map((use) => ({ value: use, label: word(`lockUse.${use}`) }))}
          onChange={(e) => {
            const use = e.currentTarget.value as LockUse;
            form.choose({ lock: use === 'shortWork' ? undefined : use });
          }}
        />
        <NativeSelect
          label={word('methods.neutralStart')}
          value={form.text.ways.neutralStart ?? 'liftToTop'}
          data={NEUTRAL_STARTS.map((start) => ({ value: start, label: word(`neutralStart.${start}`) }))}
          onChange={(e) => {
            const start = e.currentTarget.value as NeutralStart;
            form.choose({ neutralStart: start === 'liftToTop' ? undefined : start });
          }}
        />
        <NativeSelect
          label={word('methods.screen')}
          value={form.text.ways.screen ?? ''}
          data={[
            { value: '', label: word('methods.screen.target') },
            ...SCREEN_WAYS.map((way) => ({ value: way, label: word(`screenWay.${way}`) })),
          ]}
          onChange={(e) => {
            const way = e.currentTarget.value;
            form.choose({ screen: way === '' ? undefined : (way as ScreenWay) });
          }}
        />
        <Room form={form} />
      </div>
      <div className={styles.columns}>
        <Order form={form} />
        <Ties form={form} />
        <Reported form={form} />
        <Cautions form={form} />
      </div>
    </>
  );
}
