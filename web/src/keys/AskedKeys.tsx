import { Suspense, useState } from 'react';
import { later } from '../later';
import { useTold } from './told';
import { useKeys } from './useKeys';

const KeysSheet = later(() => import('./KeysSheet'), 'KeysSheet');

/** The keys of what is on the screen, for whoever asks with `?`. */
export function AskedKeys() {
  const [sheet, setSheet] = useState<'never' | 'open' | 'closed'>('never');
  const told = useTold();
  useKeys({
    '?': () => {
      // Where there are none there is nothing to tell.
      if (told.length > 0) setSheet('open');
    },
  });
  if (sheet === 'never') return null;
  return (
    <Suspense fallback={null}>
      <KeysSheet
        told={told}
        isOpen={sheet === 'open'}
        onClose={() => {
          setSheet('closed');
        }}
      />
    </Suspense>
  );
}
