/**
 * Runs in the page before anything else does: what is pressed and typed while the page is drawn but does not answer yet
 * is kept, and done in its order once it answers. Without it a press in that half second does nothing and says nothing,
 * and a form sends itself as a plain one and loses what was typed.
 *
 * It goes into the page as text, so it uses nothing from outside itself. Its answer is `window.pageAnswers`, to be
 * called once.
 */
export function keepFirstPresses(): void {
  type Field = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;
  const kept: { on: EventTarget | null; press: () => void }[] = [];
  /** Whoever presses more has long seen that nothing moves. */
  const mostKept = 200;
  /** A page that does not run by then will not; its browser gets its keys back, ms. */
  const longest = 15_000;
  const keep = (on: EventTarget | null, press: () => void) => {
    if (kept.length < mostKept) kept.push({ on, press });
  };
  const fields = 'input:not([type=checkbox]):not([type=radio]):not([type=file]), textarea, select';
  const isField = (target: EventTarget | null): target is Field => target instanceof Element && target.matches(fields);

  /** Says a field's value as if it was typed now: a value that stands there already would be no news. */
  const put = (field: Field, value: string) => {
    const plain = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field) as Field, 'value');
    if (!(field instanceof HTMLSelectElement)) field.value = '';
    plain?.set?.call(field, value);
    field.dispatchEvent(new Event(field instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }));
  };

  /** A key that was pressed before: for the page, then, if the page leaves it, what a browser would do. */
  const pressKey = ({ key, code, shiftKey }: KeyboardEvent, at: EventTarget | null) => {
    const on = at instanceof Element && at !== document.body && at.isConnected ? at : document.activeElement;
    const again = new KeyboardEvent('keydown', { key, code, shiftKey, bubbles: true, cancelable: true });
    if (on?.dispatchEvent(again) !== true || !isField(on)) return;
    if (key === 'Enter' && on instanceof HTMLInputElement) on.form?.requestSubmit();
    else if (key.length === 1 && !(on instanceof HTMLSelectElement)) put(on, on.value + key);
  };

  /** The same button, should the page have been drawn anew meanwhile. */
  const stillThere = (button: HTMLElement): HTMLElement | undefined => {
    if (button.isConnected) return button;
    const alike = [...document.querySelectorAll<HTMLElement>(button.tagName)];
    return alike.find(
      (each) =>
        each.textContent === button.textContent &&
        each.getAttribute('aria-label') === button.getAttribute('aria-label') &&
        each.id === button.id,
    );
  };

  const onClick = (event: Event) => {
    const button =
      event.target instanceof Element ? event.target.closest('button, [type=checkbox], [type=radio]') : null;
    if (!(button instanceof HTMLElement)) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    // Nothing moved, so it was pressed again: that is one press.
    if (kept.at(-1)?.on !== button) keep(button, () => stillThere(button)?.click());
  };
  const onTyped = ({ target }: Event) => {
    if (!isField(target)) return;
    const { value } = target;
    keep(target, () => put(target, value));
  };
  const onSubmit = (event: Event) => {
    event.preventDefault();
    event.stopImmediatePropagation();
    const form = event.target as HTMLFormElement;
    keep(form, () => form.requestSubmit());
  };
  const onKey = (event: KeyboardEvent) => {
    const { target, key } = event;
    // Keys that are the browser’s own, such as F5 and Tab, stay its own.
    const ours = key.length === 1 || /^(Enter|Escape|Backspace|Delete|Home|End|(Arrow|Page)\w+)$/.test(key);
    if (event.ctrlKey || event.metaKey || event.altKey || !ours) return;
    const typing = isField(target) && !(key === 'Enter' && target instanceof HTMLInputElement);
    // A browser presses these by itself, and that is kept as a click.
    const pressing = target instanceof Element && target.matches('a, button, summary, [type=checkbox], [type=radio]');
    if (typing || (pressing && (key === 'Enter' || key === ' '))) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    keep(null, () => pressKey(event, target));
  };
  document.addEventListener('click', onClick, true);
  document.addEventListener('input', onTyped, true);
  document.addEventListener('submit', onSubmit, true);
  document.addEventListener('keydown', onKey, true);

  window.pageAnswers = () => {
    document.removeEventListener('click', onClick, true);
    document.removeEventListener('input', onTyped, true);
    document.removeEventListener('submit', onSubmit, true);
    document.removeEventListener('keydown', onKey, true);
    const next = () => {
      const first = kept.shift();
      if (!first) return;
      first.press();
      // Each finds the page as the one before has left it.
      setTimeout(next);
    };
    next();
    window.pageAnswers = () => undefined;
  };
  setTimeout(() => window.pageAnswers?.(), longest);
}

declare global {
  interface Window {
    /** what was pressed before is done now, and nothing is kept any more */
    pageAnswers?: () => void;
  }
}
