// When a screen cannot be shown, with a way on.
import { Component, type ReactNode } from 'react';
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
