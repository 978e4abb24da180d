/** Told to the page once, when it has begun to listen. */
export const LIVE = 'velto:live';

/**
 * Keeps what is typed, chosen and pressed before the page listens, and does it again once it does. It goes into every
 * page as text, before anything else has come: it stands by itself and names nothing from outside.
 */
export function keepWhatComesEarly(live: string): void {
  const fields = new Set<HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement>();
  const presses = new Set<HTMLElement>();
  const isEarly = (event: Event): boolean =>
    document.documentElement.dataset.isLive !== 'true' &&
    event.target instanceof Element &&
    event.target.closest('astro-island') !== null;

  document.addEventListener(
    'input',
    (event) => {
      const field = event.target;
      if (!isEarly(event) || (field instanceof HTMLInputElement && /^(?:checkbox|radio)$/.test(field.type)))
        return;
      fields.add(field as HTMLInputElement);
    },
    true,
  );
  document.addEventListener(
    'click',
    (event) => {
      const pressed =
        isEarly(event) &&
        (event.target as Element).closest<HTMLElement>('button, input[type=checkbox], input[type=radio]');
      if (!pressed) return;
      // Else a form is sent as if there were no script, and what was typed is gone.
      event.preventDefault();
      // What has begun to listen a moment before it says so would do it now, and once more then.
      event.stopImmediatePropagation();
      presses.add(pressed);
    },
    true,
  );
  document.addEventListener('submit', (event) => isEarly(event) && event.preventDefault(), true);

  addEventListener(live, () => {
    for (const field of fields) {
      const isFile = field.type === 'file';
      if (!isFile) {
        const { value } = field;
        const own = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field) as object, 'value')!;
        // What draws the page overlooks a value that it has seen: it sees another one first.
        field.value = '';
        own.set!.call(field, value);
      }
      const kind = isFile || field instanceof HTMLSelectElement ? 'change' : 'input';
      field.dispatchEvent(new Event(kind, { bubbles: true }));
    }
    fields.clear();
    // What was typed is known by the next turn, and only then what was pressed goes by it.
    setTimeout(() => {
      for (const pressed of presses) pressed.click();
      presses.clear();
    });
  });
}
