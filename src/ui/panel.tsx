// A panel: it stands at a place of its own and covers nothing that it is about. Escape and its button close it; what it was scrolled to is kept
// for the next time.
import { useEffect, useRef, type ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button } from './button';
import { colour, radius, space } from './theme';
import { Words } from './words';

export function Panel({
  title,
  tabs,
  onClose,
  children,
}: {
  title: string;
  /** What chooses between its parts; it stands where the title would. */
  tabs?: ReactNode;
  onClose: () => void;
  children: ReactNode;
}) {
  const ref = useRef<View>(null);
  useEffect(() => {
    const element = ref.current as unknown as HTMLElement | null;
    const before = document.activeElement as HTMLElement | null;
    element?.focus();
    const escape = (e: KeyboardEvent) => {
      if (e.key === 'Escape') onClose();
    };
    // On its way down: fields of text let no key go up again.
    window.addEventListener('keydown', escape, true);
    return () => {
      window.removeEventListener('keydown', escape, true);
      before?.focus?.();
    };
  }, [onClose]);
  return (
    <View ref={ref} role="dialog" aria-label={title} tabIndex={-1} style={styles.panel}>
      <View style={styles.head}>
        {tabs ? <View style={styles.tabs}>{tabs}</View> : <Words kind="title">{title}</Words>}
        <Button label="Close" name={`Close ${title}`} kind="quiet" onPress={onClose} testID="close-panel" />
      </View>
      {children}
    </View>
  );
}

/** How far each was scrolled, pixels, by its name. */
const left = new Map<string, number>();

/** The part of a panel that scrolls; it opens where it was left. */
export function PanelScroll({ name, children }: { name: string; children: ReactNode }) {
  const ref = useRef<ScrollView>(null);
  useEffect(() => {
    const element = ref.current?.getScrollableNode() as HTMLElement | undefined;
    if (!element) return;
    element.scrollTop = left.get(name) ?? 0;
    const onScroll = () => left.set(name, element.scrollTop);
    element.addEventListener('scroll', onScroll, { passive: true });
    return () => element.removeEventListener('scroll', onScroll);
  }, [name]);
  return (
    <ScrollView key={name} ref={ref} style={styles.scroll} contentContainerStyle={styles.body} tabIndex={0}>
      {children}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  panel: {
    flex: 1,
    minHeight: 0,
    backgroundColor: colour.panel,
    borderRadius: radius,
    paddingHorizontal: space.one + space.half,
    paddingBottom: space.one,
    outlineStyle: 'none',
    // Where text is large its tabs alone may be higher than its place.
    overflow: 'auto',
  } as object,
  head: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'flex-start',
    paddingTop: space.half,
  },
  tabs: { flex: 1 },
  scroll: { flexShrink: 1, minHeight: 120, marginTop: space.half },
  body: { gap: space.one },
});
