/** The types of the API, for whoever calls it: read from the table, with nothing of it in the caller's bundle. */
import type { Frozen } from '../core/document';
import type { AnyRoute } from './route';
import type { TYPED_ROUTES } from './table';

type Routes = (typeof TYPED_ROUTES)[number];
export type Operation = Routes['key'];
type RouteOf<K extends Operation> = Extract<Routes, { readonly key: K }>;

/** What a schema in a field of a route gives, and what it takes; undefined where the route has none. */
type Given<R, F extends keyof AnyRoute> = R extends { readonly [P in F]?: infer S }
  ? S extends { readonly _zod: { readonly output: infer T } }
    ? T
    : undefined
  : undefined;
type Taken<R, F extends keyof AnyRoute> = R extends { readonly [P in F]?: infer S }
  ? S extends { readonly _zod: { readonly input: infer T } }
    ? Frozen<T>
    : undefined
  : undefined;

/** What an operation answers; of a file unknown. */
export type AnswerOf<K extends Operation> = Exclude<Given<RouteOf<K>, 'answer'>, undefined>;

/** What an operation takes. */
export type ArgumentsOf<K extends Operation> = (K extends `${string}{id}${string}`
  ? { readonly id: string }
  : unknown) & { readonly query?: Partial<Exclude<Taken<RouteOf<K>, 'query'>, undefined>> } & ([
    Exclude<Taken<RouteOf<K>, 'body'>, undefined>,
  ] extends [never]
    ? unknown
    : { readonly body: Exclude<Taken<RouteOf<K>, 'body'>, undefined> });
