import { lazy, Suspense } from 'react';

const SheetScreen = lazy(() =>
  import('../src/screens/sheet/sheet-screen').then((m) => ({ default: m.SheetScreen })),
);

export default function Sheet() {
  return (
    <Suspense fallback={null}>
      <SheetScreen />
    </Suspense>
  );
}
