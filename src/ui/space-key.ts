// Space presses switches and radio buttons, as it does in any form; what draws them answers only Enter there.
const ROLES: readonly (string | null)[] = ['switch', 'radio'];

/** Listens until the function that it returns is called. */
export function spacePresses(): () => void {
  const onKey = (e: KeyboardEvent) => {
    const { target } = e;
    if (e.key !== ' ' || e.defaultPrevented || !(target instanceof HTMLElement)) return;
    if (!ROLES.includes(target.getAttribute('role'))) return;
    // The page is not to scroll.
    e.preventDefault();
    if (!e.repeat) target.click();
  };
  window.addEventListener('keydown', onKey);
  return () => window.removeEventListener('keydown', onKey);
}
