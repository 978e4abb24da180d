/** Brings the words of the server: no page needs them. */
import './cards';
import server from './compiled/server';
import { addMessages } from './messages';

addMessages(server);
