/** Brings the words of the forms of a card: they come with the page of a card, and with what was left at the seat. */
import './sheet';
import cards from './compiled/cards';
import { addMessages } from './messages';

addMessages(cards);
