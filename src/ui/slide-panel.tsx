// A panel that comes from the bottom, in reach of the thumb; on a wide screen it stands at the right and leaves the picture free
// to be worked on. Escape, its button, and on a phone the backdrop close it.
import { useEffect, useRef, type ReactNode } from 'react';
import { Pressable, StyleSheet, useWindowDimensions, View } from 'react-native';
import { Button } from './button';
import { colour, radius, space } from './theme';
import { Words } from './words';

export function SlidePanel({
  title,
  onClose,
  height,
  unveiled,
  children,
}: {
  title: string;
  /** Share of the screen that the panel always takes, so that nothing moves under the thumb; as much as it needs when absent. */
  height?: number;
  /** Leaves what lies above the panel as it is, for panels that are judged by it. */
  unveiled?: boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  const ref = useRef<View>(null);
  const { width, height: screen } = useWindowDimensions();
  const beside = width > screen && width >= 900;
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
  const fixed = !beside && height !== undefined ? (`${100 * height}%` as const) : undefined;
  return (
    <View style={[styles.cover, beside && styles.coverBeside]}>
      {!beside && (
        <Pressable
          style={[styles.backdrop, unveiled && styles.unveiled]}
          onPress={onClose}
          aria-label={`Close ${title}`}
          role="button"
          tabIndex={-1}
        />
      )}
      <View
        ref={ref}
        role="dialog"
        aria-modal={!beside}
        aria-label={title}
        tabIndex={-1}
        style={[styles.panel, fixed && { height: fixed, maxHeight: fixed }, beside && styles.panelBeside]}
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
  coverBeside: { alignItems: 'flex-end', pointerEvents: 'box-none' },
  backdrop: { ...StyleSheet.absoluteFill, backgroundColor: colour.veil },
  unveiled: { backgroundColor: 'transparent' },
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
  panelBeside: {
    width: 440,
    height: '100%',
    maxHeight: '100%',
    borderTopRightRadius: 0,
    borderLeftWidth: 1,
    borderLeftColor: colour.line,
  },
  head: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    marginBottom: space.one,
  },
});
