import { router, useLocalSearchParams } from 'expo-router';
import { ErrorBoundary, later } from '../../src/ui/trouble';

const toFinder = () => router.replace('/');
const FrameScreen = later<{ id: string }>(
  'The frame',
  () => import('../../src/screens/frame/frame-screen').then((m) => m.FrameScreen),
  toFinder,
);

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
