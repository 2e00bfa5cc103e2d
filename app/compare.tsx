import { router, useLocalSearchParams } from 'expo-router';
import { ErrorBoundary, later } from '../src/ui/trouble';

const toFinder = () => router.replace('/');
const CompareScreen = later<{ first: string; second: string }>(
  'The comparison',
  () => import('../src/screens/compare/compare-screen').then((m) => m.CompareScreen),
  toFinder,
);

export default function Compare() {
  const { first = '', second = '' } = useLocalSearchParams<{ first: string; second: string }>();
  return (
    <ErrorBoundary
      what="The comparison"
      ways={[
        { label: 'To the sheet', go: () => router.replace('/sheet') },
        { label: 'To the finder', go: toFinder },
      ]}
    >
      <CompareScreen first={first} second={second} />
    </ErrorBoundary>
  );
}
