/** What is chosen after the stance, put together into groups that have nothing to do with each other. */
import type { AdjustmentKind } from '../../seat';
import { scopeOf, type Alternative, type ConditionId } from '../conditions';
import type { Judge } from '../cost/judge';
import type { Problem } from '../problem/problem';
import { choiceOf, partsOf, type Axis, type Part, type Standing, type Term } from './choice';
import { Group } from './group';

/** One of two ways past the desk: groups that take the place of those that know nothing of it. */
export interface Way {
  readonly groups: readonly Group[];
  readonly replaced: readonly Group[];
  /** On a seat on which only the stance decides it. */
  readonly loose: Term | null;
  readonly isUnder: boolean;
  /** What it leaves of room at most, over a span. */
  readonly most: Alternative['most'];
}

/** What the trunk leans by. */
const LEANING: readonly Axis['key'][] = ['backAngle', 'chairAngle'];
/** What moves the whole sitter or the feet up and down, in so many steps that nothing is asked twice. */
const HEIGHTS: readonly Axis['key'][] = ['seatHeight', 'footRing', 'footrest', 'footrestMm'];

/** What is told together where pads have to get past a desk. */
export const TOLD_TOGETHER: readonly ConditionId[] = ['deskTop', 'armHeight', 'padsLevel', 'padReach'];

interface OwnTerm extends Term {
  readonly scope: readonly AdjustmentKind[];
}
const scopeOfTerm = (p: Problem, term: Term | OwnTerm): readonly AdjustmentKind[] =>
  'scope' in term ? term.scope : scopeOf(p, term.condition);

/**
 * The axes that a scope names.
 * @returns in the order of the axes. Definition.
 */
export const keysIn = (axes: readonly Axis[], scope: readonly AdjustmentKind[]): Axis['key'][] =>
  axes.filter((a) => scope.includes(a.key as AdjustmentKind)).map((a) => a.key);

/**
 * Whether of a stance nothing but the lean is in a scope.
 * @returns false where it is on none. Definition.
 */
export const isByLean = (stance: readonly Axis[], scope: readonly AdjustmentKind[]): boolean =>
  stance.every(({ key }) => LEANING.includes(key) || !scope.includes(key as AdjustmentKind));

export class Parts {
  private readonly p: Problem;

  constructor(
    private readonly s: Standing,
    private readonly stance: readonly Axis[],
    /** Whether pads have to get past a desk. */
    private readonly hasDesk: boolean,
  ) {
    this.p = s.p;
  }

  /** The axes of the stance in a scope; a footrest that is added stands where one of the place would. */
  indexesIn(scope: readonly AdjustmentKind[]): number[] {
    const on: number[] = [];
    this.stance.forEach(({ key }, i) => {
      const isFeet = key === 'footrestMm' && scope.includes('footrest');
      if (isFeet || scope.includes(key as AdjustmentKind)) on.push(i);
    });
    return on;
  }

  groupsOf(after: readonly Axis[], terms: readonly Term[]): Group[] {
    return partsOf(after, terms).map((part) => this.groupOf(part));
  }

  /** The axes of the stance that a term depends on. */
  indexesOf(t: Term): number[] {
    return this.indexesIn(scopeOfTerm(this.p, t));
  }

  private groupOf(part: Part): Group {
    const standing = part.terms.filter((t) => this.indexesOf(t).length > 0);
    const on = [...new Set(standing.flatMap((t) => this.indexesOf(t)))].sort((a, b) => a - b);
    const isFree = on.every((i) => !HEIGHTS.includes(this.stance[i]!.key));
    const light = part.terms.filter((t) => t.isByLean);
    const lighter =
      light.length > 0 && light.length < part.terms.length
        ? partsOf(part.axes, light).map((one) => this.groupOf(one))
        : [];
    return new Group({
      axes: part.axes,
      choice: choiceOf(this.p, part),
      terms: part.terms,
      on,
      stance: this.stance,
      standing,
      floor: standing.length === 0 ? 0 : this.leastOf(part, standing),
      besides:
        (this.hasDesk || part.terms.some(({ condition }) => condition.id === 'padsLevel')) &&
        part.terms.some(({ condition }) => TOLD_TOGETHER.includes(condition.id))
          ? this.leastOf(
              part,
              part.terms.filter((t) => standing.includes(t) || TOLD_TOGETHER.includes(t.condition.id)),
            )
          : 0,
      isFree,
      lighter,
    });
  }

  /** What a part costs at least without some of its terms, none of which may depend on the stance. */
  private leastOf({ axes, terms }: Part, without: readonly Term[]): number {
    const rest = partsOf(
      axes,
      terms.filter((t) => !without.includes(t)),
    );
    return rest.reduce(
      (sum, part) => sum + (part.terms.length > 0 ? choiceOf(this.p, part).solve(this.s, Infinity) : 0),
      0,
    );
  }

  /** The ways in which pads get past a desk: before it, or under it. */
  waysOf(
    { condition, curve }: Judge,
    after: readonly Axis[],
    terms: readonly Term[],
    plain: readonly Group[],
  ): Way[] {
    return condition.either!.map(({ scope, residual, most }, i) => {
      const term: OwnTerm = {
        condition: { ...condition, isStraight: undefined },
        curve,
        residual,
        on: keysIn(after, scope),
        isByLean: isByLean(this.stance, scope),
        scope,
      };
      if (term.on.length === 0) return { groups: [], replaced: [], loose: term, isUnder: i > 0, most };
      const groups = this.groupsOf(after, [...terms, term]).filter((g) => g.terms.includes(term));
      const replaced = plain.filter((g) => g.axes.some((a) => groups.some((n) => n.axes.includes(a))));
      return { groups, replaced, loose: null, isUnder: i > 0, most };
    });
  }
}
