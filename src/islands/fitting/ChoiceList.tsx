/** The next best settings, one below the other. */
import { useMemo } from 'react';
import { assess, sameSettings, type Binding, type Choice, type ChoicesFound } from '../../core/fit';
import { message, type Message } from '../../core/message';
import { usePart } from '../../drawing';
import parts from '../../ui/parts.module.css';
import { useSay } from '../../ui/preferences';
import { t, word } from '../../words';
import { useJob } from '../shared/use-job';
import type { ChoicesInput } from './Choices';
import type { Setting } from './use-setting';

const MOST = 3;
/** Of what a choice costs, so many conditions are named. */
const MOST_NAMED = 3;
const MILLION = 1e6;

/** Looked for in the background: it may take a moment. null until they are found. */
function useFound(asked: ChoicesInput): ChoicesFound | null {
  const input = useMemo(
    () => ({
      inputs: asked.problem.inputs,
      options: { remedies: asked.remedies, held: asked.held },
      count: MOST,
    }),
    [asked],
  );
  return useJob('choices', input).result;
}

/** Less than half of the last digit that is shown is no difference, millionths. */
const WORTH_NAMING = 5e3;

const pointsOf = (millionths: number): string => (millionths / MILLION).toFixed(2);

/** The conditions that cost more here than in the best, dearest first; of the best itself all that cost. */
function costlier(choice: Choice, best: Choice): string[] {
  const there = new Map(best === choice ? [] : best.binding.map((b) => [b.id, b]));
  const more = ({ id, penalty }: Binding): boolean => penalty - (there.get(id)?.penalty ?? 0) >= WORTH_NAMING;
  return choice.binding
    .filter(more)
    .slice(0, MOST_NAMED)
    .map((b) => `condition.${b.id}`);
}

function costs(choice: Choice, best: Choice): Message {
  const list = { words: costlier(choice, best) };
  const end = list.words.length > 0 ? '.for' : '';
  if (choice === best)
    return message(`set.choices.points${end}`, { points: { text: pointsOf(choice.penalty) }, list });
  if (choice.penalty - best.penalty < WORTH_NAMING) return message('set.choices.even');
  const points = { text: pointsOf(choice.penalty - best.penalty) };
  return message(`set.choices.more${end}`, { points, list });
}

interface RowProps {
  readonly name: string;
  readonly choice: Choice;
  readonly best: Choice;
  readonly setting: Setting;
  readonly disabled: boolean;
}

function ChoiceRow({ name, choice, best, setting, disabled }: RowProps) {
  const { problem, store } = setting;
  const say = useSay();
  const isSet = usePart(store, () => sameSettings(store.get(), choice.settings));
  const outcomes = assess(problem, choice.settings).outcomes.filter((o) => choice.differs.includes(o.kind));
  return (
    <li>
      <div>
        <p>
          <strong>{name}</strong> <span className={parts.soft}>{say(costs(choice, best))}</span>
        </p>
        <button
          type="button"
          className={parts.plainButton}
          disabled={disabled || isSet}
          aria-label={`${word('set.choices.use')}: ${name}`}
          onClick={() => store.set(choice.settings)}
        >
          {word(isSet ? 'set.choices.inUse' : 'set.choices.use')}
        </button>
      </div>
      {outcomes.length > 0 && (
        <ul>
          {outcomes.map((o) => (
            <li key={o.kind}>
              {word(`kind.${o.kind}`)}: {say(o.words)}
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}

interface Props {
  readonly asked: ChoicesInput;
  readonly setting: Setting;
  readonly disabled: boolean;
}

export default function ChoiceList({ asked, setting, disabled }: Props) {
  const found = useFound(asked);
  return (
    <>
      {!found && <p role="status">{word('set.choices.looking')}</p>}
      {found && (
        <>
          <p className={parts.soft}>
            {word(found.next.length > 0 ? 'set.choices.hint' : 'set.choices.none')}
          </p>
          <ol>
            {[found.best, ...found.next].map((choice, i) => (
              <ChoiceRow
                key={i}
                name={t(`set.choices.${i + 1}`)}
                choice={choice}
                best={found.best}
                setting={setting}
                disabled={disabled}
              />
            ))}
          </ol>
        </>
      )}
    </>
  );
}
