import type { APIRoute } from 'astro';
import { openApiDocument } from '@/contract/openapi';

/** Made once: the schemas do not change while the program runs. */
const document = openApiDocument();

export const GET: APIRoute = () => Response.json(document);
