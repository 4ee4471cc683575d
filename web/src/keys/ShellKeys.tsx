import { useLocation, useNavigate } from 'react-router';
import { nextToDo } from '../stages/season/find';
import { useSeason } from '../stages/season/useSeason';
import { AskedKeys } from './AskedKeys';
import { shellKeys } from './ofPages';
import { useKeys } from './useKeys';

/** The stages of a planting by their key; 6 is kept for the check. */
const stages: Record<string, string> = {
  1: 'target',
  2: 'count',
  3: 'decide',
  4: 'prescribe',
  5: 'passes',
  7: 'result',
};

/** Keys that do the same on every page, and the sheet that tells them. */
export function ShellKeys() {
  const go = useNavigate();
  const { pathname, search } = useLocation();
  const season = useSeason();
  const plantings = season.data?.plantings ?? [];
  const at = /^\/plantings\/([^/]+)\/(.+)$/.exec(pathname);
  const step = (by: number) => {
    const here = plantings.findIndex((p) => p.id === at?.[1]);
    const next = here < 0 ? undefined : plantings[here + by];
    if (next) void go(`/plantings/${next.id}/${at![2]}${search}`);
  };
  useKeys(
    {
      '/': () => {
        const box = document.querySelector<HTMLInputElement>('[data-test="find"]');
        if (box) box.focus();
        else void go(`/${search}`, { state: { find: true } });
      },
      n: () => {
        const next = nextToDo(plantings);
        if (next) void go(`/plantings/${next.id}/${next.stage}${search}`);
      },
      j: () => {
        step(1);
      },
      k: () => {
        step(-1);
      },
      ...Object.fromEntries(
        Object.entries(stages).map(([key, stage]) => [
          key,
          () => {
            if (at) void go(`/plantings/${at[1]}/${stage}${search}`);
          },
        ]),
      ),
    },
    shellKeys,
  );
  return <AskedKeys />;
}
