import {
  inputsOfPosture,
  placed,
  problemOf,
  type Assessment,
  type Posture,
  type Problem,
  type Settings,
} from '../fit';
import type { Message } from '../message';
import type { AdjustmentKind } from '../seat';
import { settingOf } from './checks';

/** A posture with the settings that it was solved to; null where it was not. */
export interface PostureSettings extends Posture {
  readonly settings: Settings | null;
}

export interface PostureRow {
  readonly kind: AdjustmentKind;
  readonly setting: Message;
  /** What a tape or a level must show; null where neither tells. */
  readonly check: Message | null;
}

const bareOf = (p: Problem): Problem => p.bare?.problem ?? p;

/**
 * What a posture sets otherwise than the settings as they stand, in the order of setting.
 * @returns null where it has no settings. Definition.
 * @example
 * postureRows(assessed, { name: 'Reading', settings: null }) // => null
 */
export function postureRows(main: Assessment, posture: PostureSettings): readonly PostureRow[] | null {
  if (!posture.settings) return null;
  const { problem, values, stands } = placed(
    problemOf(inputsOfPosture(bareOf(main.problem).inputs, posture)),
    posture.settings,
  );
  const here = new Map(main.outcomes.map((o) => [o.kind, o]));
  return stands.flatMap(({ kind, position, words }) => {
    const now = here.get(kind);
    const isSame = now?.position === position && now.words.key === words.key;
    return isSame ? [] : [{ kind, ...settingOf(problem, { values }, { kind, words }) }];
  });
}
