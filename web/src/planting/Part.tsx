import type { ReactNode } from 'react';
import { SaveBar } from './SaveBar';
import type { PartName } from './parts';
import { usePlantingWork } from './usePlanting';

/** The inputs of one part with their save bar; shut, and told why, for someone who may only read it. */
export function Part({ section, children }: { section: PartName; children: ReactNode }) {
  const { may } = usePlantingWork();
  return (
    <>
      <fieldset className="part" disabled={!may(section)}>
        {children}
      </fieldset>
      <SaveBar section={section} />
    </>
  );
}
