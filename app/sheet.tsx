import { router } from 'expo-router';
import { ErrorBoundary, later } from '../src/ui/trouble';

const toFinder = () => router.replace('/');
const SheetScreen = later(
  'The sheet',
  () => import('../src/screens/sheet/sheet-screen').then((m) => m.SheetScreen),
  toFinder,
);

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
