/** Brings what each method is for: it comes with the pages and parts on which one is chosen. */
import about from './compiled/about';
import { addMessages } from './messages';

addMessages(about);
