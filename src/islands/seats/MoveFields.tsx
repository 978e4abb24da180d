/** What a control moves, as it is entered: what is done with it, and which way gives more. */
import { Checkbox, TextInput } from '@mantine/core';
import {
  ACTIONS,
  ADJUSTMENT_KINDS,
  DONE_BY,
  PULLS,
  SITTER_ACTS,
  STANCES,
  type Adjustment,
  type Control,
  type Move,
} from '../../core/seat';
import parts from '../../ui/parts.module.css';
import { sayWith, t, word } from '../../words';
import { movesOffered, newMove, textOr, waysOf } from './control-form';
import { ChoiceField, Chips, RemoveButton } from './fields';
import styles from './seat-form.module.css';

export const named = <T extends string>(
  prefix: string,
  ids: readonly T[],
): readonly (readonly [T, string])[] => ids.map((id) => [id, t(`${prefix}.${id}`)] as const);
export const orNone = <T extends string>(
  prefix: string,
  ids: readonly T[],
): readonly (readonly ['' | T, string])[] => [['', '–'], ...named(prefix, ids)];

/** Who tries a direction, and on which day. */
export interface Trying {
  readonly fitter: string | null;
  readonly today: string;
}

interface MoveProps {
  readonly move: Move;
  readonly adjustment: Adjustment;
  readonly trying: Trying;
  readonly onChange: (next: Partial<Move>) => void;
  readonly onRemove: () => void;
}

/** How far it is pulled, by whom and from where. */
function WhoFields({ move, onChange }: Pick<MoveProps, 'move' | 'onChange'>) {
  const { pull = '', doneBy = '', stance = '' } = move;
  return (
    <>
      <ChoiceField
        label={word('controlForm.pull')}
        value={pull}
        options={orNone('pull', PULLS)}
        onChange={(next) => onChange({ pull: next || undefined })}
      />
      <ChoiceField
        label={word('controlForm.doneBy')}
        value={doneBy}
        options={orNone('doneBy', DONE_BY)}
        onChange={(next) => onChange({ doneBy: next || undefined })}
      />
      <ChoiceField
        label={word('controlForm.stance')}
        value={stance}
        options={orNone('stance', STANCES)}
        onChange={(next) => onChange({ stance: next || undefined })}
      />
    </>
  );
}

/** What else there is to say of a move. */
function MoveDetails({ move, onChange }: Pick<MoveProps, 'move' | 'onChange'>) {
  const { sitter, less, tool = '', felt = '', otherwise = '' } = move;
  const text = (key: 'tool' | 'felt' | 'otherwise', value: string) => (
    <TextInput
      label={word(`controlForm.${key}`)}
      value={value}
      onChange={(e) => onChange({ [key]: textOr(e.currentTarget.value) })}
    />
  );
  return (
    <details>
      <summary>{word('controlForm.details')}</summary>
      <div className={styles.fields}>
        {(['forMore', 'forLess'] as const).map((way) => (
          <ChoiceField
            key={way}
            label={word(`controlForm.sitter.${way}`)}
            value={sitter[way]}
            options={named('sitter', SITTER_ACTS)}
            onChange={(act) => onChange({ sitter: { ...sitter, [way]: act } })}
          />
        ))}
        <ChoiceField
          label={word('controlForm.less')}
          value={less?.action ?? ''}
          options={orNone('action', ACTIONS)}
          onChange={(action) => onChange({ less: action === '' ? undefined : { ...less, action } })}
        />
        {less && (
          <TextInput
            label={word('controlForm.lessOf')}
            value={less.of ?? ''}
            onChange={(e) => onChange({ less: { ...less, of: textOr(e.currentTarget.value) } })}
          />
        )}
        <WhoFields move={move} onChange={onChange} />
        {text('tool', tool)}
        {text('felt', felt)}
        {text('otherwise', otherwise)}
        <Checkbox
          label={word('controlForm.drops')}
          checked={move.drops === true}
          onChange={(e) => onChange({ drops: e.currentTarget.checked || undefined })}
        />
        <Checkbox
          label={word('controlForm.retighten')}
          checked={move.retighten === true}
          onChange={(e) => onChange({ retighten: e.currentTarget.checked || undefined })}
        />
      </div>
    </details>
  );
}

function MoveFields({ move, adjustment, trying, onChange, onRemove }: MoveProps) {
  const name = word(`kind.${adjustment.kind}`);
  const { action, directionForMore, tried } = move;
  return (
    <div className={styles.adjustment} role="group" aria-label={name}>
      <div className={styles.adjustmentHead}>
        <h4>{name}</h4>
        <RemoveButton name={name} onRemove={onRemove} />
      </div>
      <ChoiceField
        label={word('controlForm.action')}
        value={action}
        options={named('action', ACTIONS)}
        onChange={(next) => onChange({ action: next })}
      />
      <Chips
        label={word('controlForm.direction')}
        options={named('direction', waysOf(adjustment, action).slice(0, 6))}
        chosen={[directionForMore]}
        onToggle={(way) =>
          onChange({ directionForMore: way === directionForMore ? 'unknown' : way, tried: undefined })
        }
      />
      <p className={parts.soft}>
        {sayWith('controlForm.direction.hint', {
          more: word(`more.${ADJUSTMENT_KINDS[adjustment.kind].sign}`),
        })}
      </p>
      {directionForMore !== 'unknown' && (
        <Checkbox
          label={
            tried
              ? sayWith('controlForm.triedBy', { by: tried.by, at: tried.at })
              : word(trying.fitter === null ? 'controlForm.tried.noFitter' : 'controlForm.tried')
          }
          checked={tried !== undefined}
          disabled={!tried && trying.fitter === null}
          onChange={(e) =>
            onChange({
              tried:
                e.currentTarget.checked && trying.fitter !== null
                  ? { by: trying.fitter, at: trying.today }
                  : undefined,
            })
          }
        />
      )}
      <MoveDetails move={move} onChange={onChange} />
    </div>
  );
}

interface MovesProps {
  readonly control: Control;
  readonly adjustments: readonly Adjustment[];
  readonly trying: Trying;
  readonly onChange: (next: Control) => void;
}

/** What it moves, and what else it might. */
export function Moves({ control, adjustments, trying, onChange }: MovesProps) {
  const put = (next: Partial<Control>) => onChange({ ...control, ...next });
  const offered = movesOffered(control, adjustments);
  return (
    <>
      {control.moves.map((move, i) => {
        const adjustment = adjustments.find((a) => a.id === move.adjustmentId);
        if (!adjustment) return null;
        return (
          <MoveFields
            key={`${move.adjustmentId}${move.pull ?? ''}`}
            move={move}
            adjustment={adjustment}
            trying={trying}
            onChange={(next) =>
              put({ moves: control.moves.map((m, at) => (at === i ? { ...m, ...next } : m)) })
            }
            onRemove={() => put({ moves: control.moves.filter((_, at) => at !== i) })}
          />
        );
      })}
      {offered.length > 0 && (
        <>
          <p className={parts.soft}>{word('controlForm.moves')}</p>
          <Chips
            label={word('controlForm.moves')}
            options={offered.map(({ id, adjustment, pull }) => [
              id,
              [word(`kind.${adjustment.kind}`), pull && word(`pull.${pull}`)].filter(Boolean).join(', '),
            ])}
            chosen={[]}
            onToggle={(id) => {
              const { adjustment, pull } = offered.find((o) => o.id === id)!;
              put({ moves: [...control.moves, { ...newMove(control, adjustment), ...(pull && { pull }) }] });
            }}
          />
        </>
      )}
    </>
  );
}
