/** Brings the words of setting a seat beside it: they come with the page on which that is done. */
import './cards';
import walk from './compiled/walk';
import { addMessages } from './messages';

addMessages(walk);
