/** The types of the API, for whoever calls it: read from the table, with nothing of it in the caller's bundle. */
import type { Route } from './route';
import type { TYPED_ROUTES } from './table';

type Routes = (typeof TYPED_ROUTES)[number];
export type Operation = Routes['key'];
type RouteOf<K extends Operation> = Extract<Routes, { readonly key: K }>;

/** What an operation answers; of a file unknown. */
export type AnswerOf<K extends Operation> =
  RouteOf<K> extends Route<K, infer _Q, infer _B, infer A, infer _I> ? A : never;

type BodyOf<K extends Operation> =
  RouteOf<K> extends Route<K, infer _Q, infer _B, infer _A, infer I> ? I : never;
type QueryOf<K extends Operation> =
  RouteOf<K> extends Route<K, infer Q, infer _B, infer _A, infer _I> ? Q : never;

/** What an operation takes. */
export type ArgumentsOf<K extends Operation> = (K extends `${string}{id}${string}` ? { readonly id: string } : unknown) &
  (QueryOf<K> extends undefined ? unknown : { readonly query?: Partial<QueryOf<K>> }) &
  (BodyOf<K> extends undefined ? unknown : { readonly body: BodyOf<K> });
