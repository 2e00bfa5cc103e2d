import { router, useLocalSearchParams } from 'expo-router';
import { laterScreen } from '../../src/screens/later';
import { ErrorBoundary } from '../../src/ui/trouble';

const toFinder = () => router.replace('/');
const FrameScreen = laterScreen<{ id: string }>('The frame', (rest) => rest.FrameScreen, toFinder);

export default function Frame() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return (
    <ErrorBoundary
      what="The frame"
      ways={[
        { label: 'To the sheet', go: () => router.replace('/sheet') },
        { label: 'To the finder', go: toFinder },
      ]}
    >
      <FrameScreen id={id} />
    </ErrorBoundary>
  );
}
