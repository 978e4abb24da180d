import { done } from '@/contract';
import { peopleJsonSchema } from '@/contract/people-file';
import { endpoint } from '@/server/http';

export const GET = endpoint({ act: 'read', record: 'sitter' }, () => done(peopleJsonSchema()));
