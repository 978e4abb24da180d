import { done } from '@/contract';
import { openApiDocument } from '@/contract/openapi';
import { endpoint } from '@/server/http';

/** Made once: the schemas do not change while the program runs. */
const document = openApiDocument();

export const GET = endpoint({ act: 'read', record: 'description' }, () => done(document));
