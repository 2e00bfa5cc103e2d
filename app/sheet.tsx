import { router } from 'expo-router';
import { laterScreen } from '../src/screens/later';
import { ErrorBoundary } from '../src/ui/trouble';

const toFinder = () => router.replace('/');
const SheetScreen = laterScreen('The sheet', (rest) => rest.SheetScreen, toFinder);

export default function Sheet() {
  return (
    <ErrorBoundary
      what="The sheet"
      ways={[
        { label: 'To the finder', go: toFinder },
        { label: 'Try again', go: () => undefined },
      ]}
    >
      <SheetScreen />
    </ErrorBoundary>
  );
}
