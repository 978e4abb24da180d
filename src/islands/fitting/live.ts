import {
  assess,
  completeSettings,
  type Assessment,
  type Problem,
  type SettingOutcome,
  type Settings,
} from '../../core/fit';
import type { AdjustmentKind } from '../../core/seat';
import type { Source } from '../../drawing';
import { afterFrame } from '../../ui/after-frame';
import type { SettingsStore } from './settings-store';

/** Sentences are read and not watched: they follow a pointer that has not moved for so long. */
const CALM_MS = 250;
/** Moves that come further apart than this come from a device that does not draw forty times a second. */
const LATE_MS = 25;
/** A pointer that has not moved for so long rests: what was let go by is drawn. */
const REST_MS = 100;

const nothing = (): void => undefined;
function after(ms: number, act: () => void): () => void {
  const timer = setTimeout(act, ms);
  return () => clearTimeout(timer);
}

/** What follows from the settings under the fitter's hands: worked out once for each of them, when first asked for. */
export class Live implements Source<Assessment> {
  private known: { readonly from: Settings; readonly assessment: Assessment } | null = null;

  constructor(
    private readonly problem: Problem,
    private readonly store: SettingsStore,
  ) {}

  readonly get = (): Assessment => {
    const settings = this.store.get();
    if (this.known?.from !== settings) {
      const whole = completeSettings(this.problem, settings);
      this.known = { from: settings, assessment: assess(this.problem, whole, this.known?.assessment) };
    }
    return this.known.assessment;
  };

  readonly subscribe = (listener: () => void): (() => void) => this.store.subscribe(listener);

  /**
   * For the board, which takes a browser longest to draw. A device that keeps up draws it with every move; on one that
   * does not it lets every other move go by, so that the knob under the finger keeps up.
   */
  readonly paced: Source<Assessment> = {
    get: this.get,
    subscribe: (listener) => {
      let timer: ReturnType<typeof setTimeout> | undefined;
      let [last, letBy] = [0, false];
      const speak = () => {
        clearTimeout(timer);
        letBy = false;
        listener();
      };
      const stop = this.store.subscribe(() => {
        const now = performance.now();
        const isLate = this.store.isDragging && now - last > LATE_MS;
        last = now;
        if (!isLate || letBy) return speak();
        letBy = true;
        clearTimeout(timer);
        timer = setTimeout(speak, REST_MS);
      });
      return () => {
        clearTimeout(timer);
        stop();
      };
    },
  };

  /** Speaks once a drag has ended and letting go was drawn, and whenever nothing is dragged. */
  private afterDrags(whileDragged: (listener: () => void) => () => void): Source<Assessment> {
    return {
      get: this.get,
      subscribe: (listener) => {
        let giveUp = nothing;
        const stop = this.store.subscribe(() => {
          giveUp();
          if (this.store.isLettingGo) giveUp = afterFrame(listener);
          else if (this.store.isDragging) giveUp = whileDragged(listener);
          else listener();
        });
        return () => {
          giveUp();
          stop();
        };
      },
    };
  }

  /** Speaks where a drag pauses for `CALM_MS` as well. */
  readonly calm = this.afterDrags((listener) => after(CALM_MS, listener));

  /** Says nothing during a drag. */
  readonly atRest = this.afterDrags(() => nothing);

  outcome(kind: AdjustmentKind): SettingOutcome {
    return this.outcomeIn(this.get(), kind);
  }

  private readonly last = new Map<AdjustmentKind, SettingOutcome>();

  /**
   * Of one of its assessments. A remedy can take an adjustment off: until its track is gone from the screen it says the
   * last there was.
   * @throws where this seat and place never had such an adjustment
   */
  readonly outcomeIn = (assessment: Assessment, kind: AdjustmentKind): SettingOutcome => {
    const outcome = assessment.outcomes.find((o) => o.kind === kind) ?? this.last.get(kind);
    if (!outcome) throw new Error(`no adjustment ${kind}`);
    this.last.set(kind, outcome);
    return outcome;
  };
}
