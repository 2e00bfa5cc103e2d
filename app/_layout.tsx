// The frame of the app: the finder stays alive beneath, the other screens lie over it.
import { QueryClientProvider } from '@tanstack/react-query';
import { router, Slot, usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { GestureHandlerRootView } from 'react-native-gesture-handler';
import { pageStands } from '../src/library/page-start';
import { queryClient, useRollChanges } from '../src/library/roll';
import { prints } from '../src/library/prints';
import { setups } from '../src/library/setups';
import { FinderScreen } from '../src/screens/finder/finder-screen';
import { useUnsavedGuard } from '../src/screens/sheet/unsaved-bar';
import { useDesk } from '../src/live/desk';
import { keepReadingOut } from '../src/live/read-out';
import { rememberDesk } from '../src/live/desk-memory';
import { applyTheme, colour } from '../src/ui/theme';
import { owedClicks } from '../src/ui/owed-clicks';
import { SilenceBar } from '../src/ui/silence-bar';
import { spacePresses } from '../src/ui/space-key';
import { ErrorBoundary } from '../src/ui/trouble';

applyTheme('studio');

export default function Layout() {
  return (
    <GestureHandlerRootView style={styles.page}>
      <QueryClientProvider client={queryClient}>
        <Screens />
      </QueryClientProvider>
    </GestureHandlerRootView>
  );
}

function Screens() {
  const onFinder = usePathname() === '/';
  const [opened, setOpened] = useState(onFinder);
  if (onFinder && !opened) setOpened(true);
  useEffect(() => {
    if (!onFinder) pageStands();
  }, [onFinder]);
  useRollChanges();
  useEffect(() => setups.hear(), []);
  useEffect(() => prints.hear(), []);
  useEffect(keepReadingOut, []);
  useEffect(spacePresses, []);
  useEffect(owedClicks, []);
  useUnsavedGuard();
  const theme = useDesk((d) => d.theme);
  useEffect(() => applyTheme(theme), [theme]);
  useEffect(() => {
    const forgetting = rememberDesk();
    return () => void forgetting.then((forget) => forget());
  }, []);
  return (
    <View style={styles.page}>
      {opened && (
        <View style={onFinder ? styles.over : styles.away}>
          <ErrorBoundary
            what="The finder"
            ways={[
              { label: 'Open the finder anew', go: () => window.location.reload() },
              { label: 'To the sheet', go: () => router.replace('/sheet') },
            ]}
          >
            <FinderScreen active={onFinder} />
          </ErrorBoundary>
        </View>
      )}
      <View style={onFinder ? styles.away : styles.over}>
        <Slot />
      </View>
      <SilenceBar />
    </View>
  );
}

const styles = StyleSheet.create({
  page: { flex: 1, backgroundColor: colour.page },
  over: StyleSheet.absoluteFill,
  away: { display: 'none' },
});
