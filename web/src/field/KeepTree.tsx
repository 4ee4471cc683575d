import type { ReactNode } from 'react';
import { PhotoKey } from './PhotoKey';
import { useSecondTap } from './useSecondTap';

/** Keeps what was counted of a tree, with a photograph beside it. */
export function KeepTree({
  planting,
  at,
  isTyped,
  test,
  onKeep,
  children,
}: {
  planting: string;
  at: { row: string; tree: string };
  /** Whether anything is typed of the tree at hand. */
  isTyped: boolean;
  test: string;
  onKeep: () => void;
  children: ReactNode;
}) {
  const isSecondTap = useSecondTap();
  const whole = (text: string) => (text === '' ? null : Number(text));
  return (
    <div className="rework-end">
      <PhotoKey planting={planting} row={whole(at.row)} tree={whole(at.tree)} />
      <button
        type="button"
        className="key key-done"
        onClick={(e) => {
          // A second tap of a cold thumb is not a second tree; whoever typed in between means it.
          if (!isSecondTap(e) || isTyped) onKeep();
        }}
        data-test={`${test}-send`}
      >
        {children}
      </button>
    </div>
  );
}
