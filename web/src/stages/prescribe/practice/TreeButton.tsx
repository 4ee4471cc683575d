import { Button } from 'antd';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';

/** Goes to a tree to be cut for practice. */
export function TreeButton({
  planting,
  trunk,
  number,
  first,
  test,
  children,
}: {
  planting: string;
  trunk: string;
  number: number;
  /** Whether it is the one to cut next. */
  first: boolean;
  test: string;
  children: ReactNode;
}) {
  const navigate = useNavigate();
  const to = `/plantings/${planting}/bench?practice&class=${encodeURIComponent(trunk)}&number=${number}`;
  return (
    <Button
      type={first ? 'primary' : 'default'}
      href={to}
      onClick={(e) => {
        e.preventDefault();
        void navigate(to);
      }}
      data-test={test}
    >
      {children}
    </Button>
  );
}
