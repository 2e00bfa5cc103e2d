// A panel that comes from the bottom, in reach of the thumb. Escape, the backdrop and its button close it.
import { useEffect, useRef, type ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button } from './button';
import { colour, radius, space } from './theme';
import { Words } from './words';

export function SheetPanel({
  title,
  onClose,
  height,
  children,
}: {
  title: string;
  /** Share of the screen that the panel always takes, so that nothing moves under the thumb; as much as it needs when absent. */
  height?: number;
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
    window.addEventListener('keydown', escape);
    return () => {
      window.removeEventListener('keydown', escape);
      before?.focus?.();
    };
  }, [onClose]);
  return (
    <View style={styles.cover}>
      <Pressable
        style={styles.backdrop}
        onPress={onClose}
        aria-label={`Close ${title}`}
        role="button"
        tabIndex={-1}
      />
      <View
        ref={ref}
        role="dialog"
        aria-modal
        aria-label={title}
        tabIndex={-1}
        style={[
          styles.panel,
          height !== undefined && { height: `${100 * height}%`, maxHeight: `${100 * height}%` },
        ]}
      >
        <View style={styles.head}>
          <Words kind="title">{title}</Words>
          <Button label="Close" kind="quiet" onPress={onClose} />
        </View>
        {children}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  cover: { ...StyleSheet.absoluteFill, justifyContent: 'flex-end', alignItems: 'center', zIndex: 20 },
  backdrop: { ...StyleSheet.absoluteFill, backgroundColor: 'rgba(0,0,0,0.45)' },
  panel: {
    width: '100%',
    maxWidth: 560,
    maxHeight: '62%',
    backgroundColor: colour.panel,
    borderTopLeftRadius: radius * 2,
    borderTopRightRadius: radius * 2,
    padding: space.two,
    outlineStyle: 'none',
  } as object,
  head: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    marginBottom: space.one,
  },
});
