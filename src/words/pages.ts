/** Brings the words of pages beside the fitting: they come with those pages, so that a fitting does not wait for them. */
import './sheet';
import './about';
import pages from './compiled/pages';
import { addMessages } from './messages';

export { sayPeopleFault } from './say-people';

addMessages(pages);
