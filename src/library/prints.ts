// The person's own prints, beside those that ship with the program.
import { printTrouble, type Print } from '../core/setting/print';
import { keptList } from './kept-list';
import { isPrint } from './setup-check.generated';

export const prints = keptList<Print>('prints', (print) => isPrint(print) && !printTrouble(print));
