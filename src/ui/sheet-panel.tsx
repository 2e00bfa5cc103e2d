// A panel that comes from the bottom, in reach of the thumb. Escape, the backdrop and its button close it.
import { useEffect, useRef, type ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button } from './button';
import { colour, radius, space } from './theme';
import { Words } from './words';

export function SheetPanel({
  title,
  onClose,
  tall,
  children,
}: {
  title: string;
  /** For panels with a lot in them. */
  tall?: boolean;
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
        style={[styles.panel, tall && styles.tall]}
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
  // One height for all of its parts: it does not jump under the thumb.
  tall: { height: '74%', maxHeight: '74%' },
  head: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    marginBottom: space.one,
  },
});
