/** Brings the words of cards and sheets: they come with what shows one, or a step at the seat. */
import sheet from './compiled/sheet';
import { addMessages } from './messages';

addMessages(sheet);
