import { useLocalSearchParams } from 'expo-router';
import { lazy, Suspense } from 'react';

const FrameScreen = lazy(() =>
  import('../../src/screens/frame/frame-screen').then((m) => ({ default: m.FrameScreen })),
);

export default function Frame() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return (
    <Suspense fallback={null}>
      <FrameScreen id={id} />
    </Suspense>
  );
}
