// The sheet's tiles by keys: from tile to tile, and what is said, chosen, opened or deleted of the one that has the focus or of all that are chosen.
import { useRouter } from 'expo-router';
import { useEffect, useRef, useState, type RefObject } from 'react';
import type { View } from 'react-native';
import type { Item } from '../../core/frame/arrange';
import { saidByKey, say } from '../rolls/verdicts';
import { useSheet } from './sheet-state';
import { framesIn } from './tile';
import { deleteWithUndo } from './undo-bar';

interface GridShape {
  readonly columns: number;
  /** Pixels of the page. */
  readonly rowHeight: number;
  /** Brings a tile into view. */
  readonly onGo: (index: number) => void;
  readonly onFailed: (words: string) => void;
}

export function useGridKeys(
  scroll: RefObject<View | null>,
  items: readonly Item[],
  { columns, rowHeight, onGo, onFailed }: GridShape,
) {
  const router = useRouter();
  const [current, setCurrent] = useState(0);
  const held = Math.min(current, Math.max(0, items.length - 1));
  /** Where a range begins. */
  const anchor = useRef(0);
  const focusOn = useRef(false);
  const between = (from: number, to: number) => {
    const [first, last] = from < to ? [from, to] : [to, from];
    return items.slice(first, last + 1).flatMap((item) => framesIn(item).map(({ id }) => id));
  };
  const { choose, toggle, unfold } = useSheet.getState();
  const go = (to: number, ranging: boolean) => {
    const next = Math.max(0, Math.min(items.length - 1, to));
    if (ranging) choose(between(anchor.current, next));
    else anchor.current = next;
    focusOn.current = true;
    setCurrent(next);
    onGo(next);
  };
  // Its row may be drawn only now.
  useEffect(() => {
    if (!focusOn.current) return;
    const host = scroll.current as unknown as HTMLElement | null;
    const tile = host?.querySelector<HTMLElement>(`[data-index="${held}"]`);
    if (!tile) return;
    focusOn.current = false;
    tile.focus({ preventScroll: true });
  });
  /** @returns whether the key means something here */
  const act = (key: string, ranging: boolean, page: number): boolean => {
    const item = items[held]!;
    const { chosen } = useSheet.getState();
    const to = destination(key, { held, columns, page, last: items.length - 1 });
    const frames = framesIn(item);
    // What is said by a key is said of all that are chosen, or of the one that has the focus.
    const meant =
      chosen && chosen.size > 0 ? items.flatMap(framesIn).filter(({ id }) => chosen.has(id)) : frames;
    const ids = meant.map(({ id }) => id);
    const said = saidByKey(key, meant);
    if (to !== undefined) go(to, ranging);
    else if (said) say(ids, said).catch((error: Error) => onFailed(`Not kept: ${error.message}.`));
    else if (key === ' ') toggle(frames.map(({ id }) => id));
    else if (key === 'Delete') void deleteWithUndo(ids).then((gone) => gone && choose(null));
    else if (key === 'o' && item.kind === 'group') unfold(item.id);
    else if (key === 'c' && chosen?.size === 2) {
      const [first, second] = [...chosen];
      router.push({ pathname: '/compare', params: { first: first!, second: second! } });
    } else return false;
    return true;
  };
  return {
    ...{ held, anchor, between },
    idsOf: (index: number) => framesIn(items[index]!).map(({ id }) => id),
    onKeyDown: (e: KeyboardEvent) => {
      const { key, shiftKey, ctrlKey, metaKey, altKey } = e;
      if (!items[held] || altKey) return;
      const all = (ctrlKey || metaKey) && key === 'a';
      if ((ctrlKey || metaKey) && !all) return;
      const height = (e.currentTarget as HTMLElement).clientHeight || 0;
      const page = columns * Math.max(1, Math.floor(height / rowHeight));
      if (all) choose(between(0, items.length - 1));
      else if (!act(key, shiftKey, page)) return;
      e.preventDefault();
      e.stopPropagation();
    },
    /** Whatever tile has the focus is the one that keys are about. */
    onFocus: (e: FocusEvent) => {
      const index = (e.target as HTMLElement).dataset.index;
      if (index !== undefined) setCurrent(Number(index));
    },
  };
}

/** Where a key leads, by the index of a tile; undefined for one that leads nowhere. */
function destination(
  key: string,
  { held, columns, page, last }: { held: number; columns: number; page: number; last: number },
): number | undefined {
  return {
    ArrowLeft: held - 1,
    ArrowRight: held + 1,
    ArrowUp: held - columns,
    ArrowDown: held + columns,
    PageUp: held - page,
    PageDown: held + page,
    Home: 0,
    End: last,
  }[key];
}
