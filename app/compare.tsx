import { router, useLocalSearchParams } from 'expo-router';
import { laterScreen } from '../src/screens/later';
import { ErrorBoundary } from '../src/ui/trouble';

const toFinder = () => router.replace('/');
const CompareScreen = laterScreen<{ first: string; second: string }>(
  'The comparison',
  (rest) => rest.CompareScreen,
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
