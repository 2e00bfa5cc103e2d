// The person's own prints, beside those that ship with the program.
import { printTrouble, type Print } from '../core/setting/print';
import { keptList } from './kept-list';

export const prints = keptList<Print>('prints', async () => {
  const { isPrint } = await import('./setup-check.generated');
  return (print) => isPrint(print) && !printTrouble(print);
});
