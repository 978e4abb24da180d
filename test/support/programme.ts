/** A mixed-integer linear programme, put together and written as text for a general solver. */

/** A sum of columns with factors, and a constant. */
export interface Linear {
  readonly constant: number;
  readonly terms: ReadonlyMap<string, number>;
}

export const fixed = (constant: number): Linear => ({ constant, terms: new Map() });
export const column = (name: string, factor = 1): Linear => ({
  constant: 0,
  terms: new Map([[name, factor]]),
});
export const times = (x: Linear, by: number): Linear => ({
  constant: x.constant * by,
  terms: new Map([...x.terms].map(([name, factor]) => [name, factor * by])),
});
export function plus(...all: readonly Linear[]): Linear {
  const terms = new Map<string, number>();
  let constant = 0;
  for (const x of all) {
    constant += x.constant;
    for (const [name, factor] of x.terms) terms.set(name, (terms.get(name) ?? 0) + factor);
  }
  return { constant, terms };
}
export const minus = (a: Linear, b: Linear): Linear => plus(a, times(b, -1));

const number = (value: number): string => {
  const text = value.toFixed(9).replace(/\.?0+$/, '');
  return text === '-0' ? '0' : text;
};
const written = ({ terms }: Linear): string =>
  [...terms]
    .filter(([, factor]) => Math.abs(factor) > 1e-12)
    .map(([name, factor]) => `${factor < 0 ? '-' : '+'} ${number(Math.abs(factor))} ${name}`)
    .join(' ') || '0 zero';

/** Rows, bounds and whole numbers in the order they came. */
export class Programme {
  private objective = fixed(0);
  private readonly rows: string[] = [];
  private readonly bounds: string[] = ['zero = 0'];
  private readonly integers: string[] = [];
  private readonly binaries: string[] = [];

  cost(x: Linear): void {
    this.objective = plus(this.objective, x);
  }

  atMost(x: Linear, most = 0): void {
    this.rows.push(` r${this.rows.length}: ${written(x)} <= ${number(most - x.constant)}`);
  }

  atLeast(x: Linear, least = 0): void {
    this.rows.push(` r${this.rows.length}: ${written(x)} >= ${number(least - x.constant)}`);
  }

  exactly(x: Linear, value = 0): void {
    this.rows.push(` r${this.rows.length}: ${written(x)} = ${number(value - x.constant)}`);
  }

  free(name: string): Linear {
    this.bounds.push(` ${name} free`);
    return column(name);
  }

  between(name: string, low: number, high: number): Linear {
    this.bounds.push(` ${number(low)} <= ${name} <= ${number(high)}`);
    return column(name);
  }

  integer(name: string, most: number): Linear {
    this.integers.push(name);
    return this.between(name, 0, most);
  }

  /** @returns names of binaries of which exactly one is 1 */
  oneOf(name: string, count: number): string[] {
    const names = Array.from({ length: count }, (_, i) => `${name}_${i}`);
    this.binaries.push(...names);
    this.exactly(plus(...names.map((n) => column(n))), 1);
    return names;
  }

  binary(name: string): Linear {
    this.binaries.push(name);
    return column(name);
  }

  toString(): string {
    return [
      'Minimize',
      ` points: ${written(this.objective)}`,
      'Subject To',
      ...this.rows,
      'Bounds',
      ...this.bounds,
      ...(this.integers.length > 0 ? ['General', ` ${this.integers.join(' ')}`] : []),
      ...(this.binaries.length > 0 ? ['Binary', ` ${this.binaries.join(' ')}`] : []),
      'End',
    ].join('\n');
  }
}
