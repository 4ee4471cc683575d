import { useState } from 'react';
import type { CatalogueView, TrainingSystem } from '../../../api/client';
import { Choice } from '../../../entry/Choice';
import { useReading } from '../../../words/useReading';
import { differences } from './compareSystems';
import { usePack } from '../useSystem';

/** A system beside another, or beside what was shipped under its name: only what differs. */
export function CompareSystems({ system, names }: { system: TrainingSystem; names: CatalogueView['systems'] }) {
  const { t, local } = useReading();
  const own = names.find((n) => n.id === system.id);
  const [other, setOther] = useState(own?.isShipped ? system.id : '');
  return (
    <details className="small" data-test="compare-system">
      <summary>{t('systems.compare')}</summary>
      <Choice
        label={t('systems.compare-with')}
        empty={t('systems.compare-with')}
        value={other}
        options={names
          .filter((n) => n.id !== system.id || n.isShipped)
          .map((n) => ({
            value: n.id,
            label: n.id === system.id ? t('systems.shipped-one', { name: local(n.name) }) : local(n.name),
          }))}
        onChange={setOther}
      />
      {other !== '' && <Differences system={system} other={other} shipped={other === system.id} />}
    </details>
  );
}

function Differences({ system, other, shipped }: { system: TrainingSystem; other: string; shipped: boolean }) {
  const { t, local } = useReading();
  const pack = usePack(other, shipped);
  if (!pack.data) return <p className="waiting">{t('loading')}</p>;
  const found = differences(system, pack.data.system);
  if (found.length === 0) return <p>{t('systems.alike')}</p>;
  return (
    <table className="figures" data-test="differences">
      <thead>
        <tr>
          <td />
          <td />
          <th>{local(pack.data.system.name)}</th>
          <th>{t('systems.this-one')}</th>
        </tr>
      </thead>
      <tbody>
        {found.flatMap((d, i) =>
          d.parts.map((p) => (
            <tr key={`${i}-${p.part}`}>
              <td>
                <strong>{d.name ? local(d.name) : t(`systems.part-${p.part}`)}</strong>{' '}
                <span className="dim">{t(`systems.diff-${d.kind}`)}</span>
              </td>
              <td>{d.name && t(`systems.part-${p.part}`)}</td>
              <td>
                <code>{p.was}</code>
              </td>
              <td>
                <code>{p.is}</code>
              </td>
            </tr>
          )),
        )}
      </tbody>
    </table>
  );
}
