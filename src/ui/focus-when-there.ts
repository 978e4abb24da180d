/** Longer nobody waits for a field, ms. */
const LONGEST_MS = 10_000;

/** Puts the cursor into a field by its id, also where the form that has it is still being brought. */
export function focusWhenThere(id: string): void {
  const hasFocused = (): boolean => {
    const field = document.getElementById(id);
    field?.focus();
    return field !== null;
  };
  setTimeout(() => {
    if (hasFocused()) return;
    const observer = new MutationObserver(() => {
      if (hasFocused()) observer.disconnect();
    });
    observer.observe(document.body, { childList: true, subtree: true });
    setTimeout(() => observer.disconnect(), LONGEST_MS);
  });
}
