import type { ReactNode } from 'react';
import { useReading } from '../../../words/useReading';

/** Which tree of which row, typed. */
export function RowAndTree({
  row,
  tree,
  treeLabel,
  onChange,
  children,
}: {
  row: string;
  tree: string;
  /** Where the tree may be left out, its label says so. */
  treeLabel?: string;
  onChange: (at: { row: string; tree: string }) => void;
  children?: ReactNode;
}) {
  const { t } = useReading();
  return (
    <div className="field-pair">
      <label>
        {t('count.row')}
        <input
          inputMode="numeric"
          value={row}
          onChange={(e) => {
            onChange({ row: e.target.value, tree });
          }}
          data-test="row"
        />
      </label>
      <label>
        {treeLabel ?? t('count.tree')}
        <input
          inputMode="numeric"
          value={tree}
          onChange={(e) => {
            onChange({ row, tree: e.target.value });
          }}
          data-test="tree"
        />
      </label>
      {children}
    </div>
  );
}
