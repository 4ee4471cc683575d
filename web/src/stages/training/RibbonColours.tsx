import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { api, answered, type ReworkStanding, type ReworkView } from '../../api/client';
import { ChoiceField } from '../../entry/Choice';
import { useAttempt } from '../../entry/useAttempt';
import { useMay } from '../../people/session';
import { useReading } from '../../words/useReading';
import { Ribbon } from './Ribbon';
import { standingName } from './standing';

/** Which ribbon stands for what, all over the estate. */
export function RibbonColours({ rework }: { rework: ReworkView }) {
  const { t } = useReading();
  const may = useMay();
  const client = useQueryClient();
  const { problem, failure, busy, attempt } = useAttempt();
  const [ribbons, setRibbons] = useState(rework.ribbons);
  const standings = Object.keys(rework.ribbons) as ReworkStanding[];
  if (!may('plan')) return null;
  const wrong =
    failure ?? problem('ribbons') ?? standings.map((s) => problem(`ribbons.${s}`)).find((p) => p !== undefined);
  return (
    <details className="rework-colours">
      <summary>{t('rework.colours')}</summary>
      <div className="fields">
        {standings.map((standing) => (
          <ChoiceField
            key={standing}
            label={standingName(t, standing, null)}
            shown={
              <>
                {standingName(t, standing, null)} <Ribbon colour={ribbons[standing] ?? 'none'} />
              </>
            }
            value={ribbons[standing] ?? 'none'}
            onChange={(colour) => {
              setRibbons({ ...ribbons, [standing]: colour });
            }}
            options={rework.rules.colours.map((c) => ({ value: c, label: t(`rework.colour.${c}`) }))}
          />
        ))}
      </div>
      {wrong && (
        <p className="field-problem" role="alert">
          {wrong}
        </p>
      )}
      <Button
        loading={busy}
        onClick={() =>
          void attempt(async () => {
            await answered(api.PUT('/api/v1/ribbons', { body: { version: rework.estateVersion, ribbons } }));
            await client.invalidateQueries();
          })
        }
        data-test="save-ribbons"
      >
        {t('rework.colours-save')}
      </Button>
    </details>
  );
}
