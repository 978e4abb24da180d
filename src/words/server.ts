/** Brings the words of the server: no page needs them. */
import './sheet';
import server from './compiled/server';
import { addMessages } from './messages';

addMessages(server);
