// When a screen cannot be shown: it broke, its script does not come, or it is on its way. Always with a way on.
import { Component, useEffect, useState, type ComponentType, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from './button';
import { colour, space } from './theme';
import { Words } from './words';

interface Way {
  readonly label: string;
  readonly go: () => void;
}

export function Trouble({ says, ways }: { says: string; ways: readonly Way[] }) {
  return (
    <View style={styles.page} role="main" aria-label="Trouble" testID="trouble">
      <View role="alert" style={styles.says}>
        <Words kind="title" style={styles.centred}>
          {says}
        </Words>
      </View>
      {ways.map(({ label, go }, i) => (
        <Button key={label} label={label} kind={i === 0 ? 'primary' : undefined} onPress={go} />
      ))}
    </View>
  );
}

interface BoundaryProps {
  /** What broke, as in "The sheet". */
  readonly what: string;
  /** Ways out; called after the boundary has been made whole again. */
  readonly ways: readonly Way[];
  readonly children: ReactNode;
}

/** Keeps an error of one screen from taking the others with it. */
export class ErrorBoundary extends Component<BoundaryProps, { broken: boolean }> {
  override state = { broken: false };

  static getDerivedStateFromError() {
    return { broken: true };
  }

  override render() {
    const { what, ways, children } = this.props;
    if (!this.state.broken) return children;
    const whole = ways.map(({ label, go }) => ({
      label,
      go: () => {
        go();
        this.setState({ broken: false });
      },
    }));
    return <Trouble says={`${what} met an error. Nothing that is stored is lost.`} ways={whole} />;
  }
}

/** A script that has not come by then will not be waited for. */
const PATIENCE_MS = 6000;

type Loaded<Props> =
  | { readonly kind: 'ready'; readonly Screen: ComponentType<Props> }
  | { readonly kind: 'failed' }
  | { readonly kind: 'stalled' };

/** A screen in a script of its own, fetched when it is first wanted. A script that fails, or does not come, is told. */
export function later<Props extends object>(
  what: string,
  load: () => Promise<ComponentType<Props>>,
  toFinder: () => void,
): ComponentType<Props> {
  let known: ComponentType<Props> | undefined;
  return function Later(props: Props) {
    const [state, setState] = useState<Loaded<Props> | null>(known ? { kind: 'ready', Screen: known } : null);
    const [tries, setTries] = useState(0);
    useEffect(() => {
      if (known) return;
      let over = false;
      const settle = (next: Loaded<Props>) => {
        if (!over) setState(next);
        over = true;
        clearTimeout(timer);
      };
      const timer = setTimeout(() => settle({ kind: 'stalled' }), PATIENCE_MS);
      load().then(
        (Screen) => {
          known = Screen;
          settle({ kind: 'ready', Screen });
        },
        () => settle({ kind: 'failed' }),
      );
      return () => {
        over = true;
        clearTimeout(timer);
      };
    }, [tries]);
    if (state?.kind === 'ready') return <state.Screen {...props} />;
    if (!state)
      return (
        <View style={styles.page} role="main" aria-label={what} aria-busy>
          <Words quiet>Opening…</Words>
        </View>
      );
    const again = {
      label: 'Try again',
      go: () => {
        // A script that hangs is waited for by the browser for ever: only a new page asks again.
        if (state.kind === 'stalled') return window.location.reload();
        setState(null);
        setTries(tries + 1);
      },
    };
    const why = state.kind === 'stalled' ? 'does not come from the server' : 'did not load';
    return <Trouble says={`${what} ${why}.`} ways={[again, { label: 'To the finder', go: toFinder }]} />;
  };
}

const styles = StyleSheet.create({
  page: {
    flex: 1,
    gap: space.two,
    alignItems: 'center',
    justifyContent: 'center',
    padding: space.three,
    backgroundColor: colour.page,
  },
  says: { maxWidth: 520 },
  centred: { textAlign: 'center' },
});
