/** The made language that tests look for left-over English with. */
export declare const PSEUDO: string;
/** Returns a text with accents and four tenths longer, its holes left as they are. */
export declare function pseudo(text: string): string;
/** Compiles what has changed of the catalogue; does nothing where nothing has. */
export declare function compileWords(language?: string): Promise<void>;
/** Returns the source of a module with one function a message. */
export declare function compiledModule(messages: Readonly<Record<string, string>>): Promise<string>;
