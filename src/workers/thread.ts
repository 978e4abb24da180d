/** What a thread of the server is asked, by name: each export is one question. */
export { fitAnswer as fit, rankAnswer as rank } from '../core/answer';
