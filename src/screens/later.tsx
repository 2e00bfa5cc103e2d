// Screens and panels whose script is not the page's first. It is fetched ahead as soon as there is time; where it is not there yet, fails
// or does not come, that is told, with a way on.
import { useEffect, useState, type ComponentType } from 'react';
import { StyleSheet, View } from 'react-native';
import { Panel } from '../ui/panel';
import { Button } from '../ui/button';
import { Trouble } from '../ui/trouble';
import { colour, space } from '../ui/theme';
import { Words } from '../ui/words';

type Rest = (typeof import('./rest'))['rest'];

/** A script that has not come by then will not be waited for. */
const PATIENCE_MS = 6000;

let known: Rest | undefined;

/** @throws when the script cannot be loaded; asked again, it is tried again */
export async function fetchRest(): Promise<Rest> {
  const { rest } = await import('./rest');
  known = rest;
  return rest;
}

type Coming =
  | { readonly kind: 'coming' }
  | { readonly kind: 'ready'; readonly rest: Rest }
  | { readonly kind: 'missing'; readonly says: string; readonly again: () => void };

function useRest(): Coming {
  const [state, setState] = useState<'coming' | 'ready' | 'failed' | 'stalled'>(known ? 'ready' : 'coming');
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (known) return setState('ready');
    let over = false;
    const settle = (next: typeof state) => {
      if (!over) setState(next);
      over = true;
      clearTimeout(timer);
    };
    const timer = setTimeout(() => settle('stalled'), PATIENCE_MS);
    fetchRest().then(
      () => settle('ready'),
      () => settle('failed'),
    );
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [tries]);
  if (state === 'ready' && known) return { kind: 'ready', rest: known };
  if (state === 'coming' || state === 'ready') return { kind: 'coming' };
  const again = () => {
    // A script that hangs is waited for by the browser for ever: only a new page asks again.
    if (state === 'stalled') return window.location.reload();
    setState('coming');
    setTries(tries + 1);
  };
  const says = state === 'stalled' ? 'does not come from the server' : 'did not load';
  return { kind: 'missing', says, again };
}

/** A screen of the later script. */
export function laterScreen<Props extends object>(
  what: string,
  pick: (rest: Rest) => ComponentType<Props>,
  toFinder: () => void,
): ComponentType<Props> {
  return function LaterScreen(props: Props) {
    const coming = useRest();
    if (coming.kind === 'ready') {
      const Screen = pick(coming.rest);
      return <Screen {...props} />;
    }
    if (coming.kind === 'coming')
      return (
        <View style={styles.page} role="main" aria-label={what} aria-busy>
          <Words quiet>Opening…</Words>
        </View>
      );
    const { says, again } = coming;
    const ways = [
      { label: 'Try again', go: again },
      { label: 'To the finder', go: toFinder },
    ];
    return <Trouble says={`${what} ${says}.`} ways={ways} />;
  };
}

/** The panels of the finder, of the later script. */
export function LaterPanels(props: Parameters<Rest['Panels']>[0]) {
  const coming = useRest();
  if (coming.kind === 'ready') return <coming.rest.Panels {...props} />;
  return (
    <Panel title="Panel" onClose={props.onClose}>
      {coming.kind === 'coming' ? (
        <Words quiet>Opening…</Words>
      ) : (
        <View role="alert" style={styles.missing}>
          <Words style={styles.says}>The panel {coming.says}. The finder goes on without it.</Words>
          <Button label="Try again" kind="primary" onPress={coming.again} testID="panel-again" />
        </View>
      )}
    </Panel>
  );
}

const styles = StyleSheet.create({
  page: {
    flex: 1,
    alignItems: 'center',
    justifyContent: 'center',
    backgroundColor: colour.page,
  },
  missing: { gap: space.one, alignItems: 'flex-start', paddingTop: space.one },
  says: { color: colour.warn },
});
