import { Button, Popover } from 'antd';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, answered, type TargetDesk } from '../../api/client';
import { Choice } from '../../entry/Choice';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { usePlantingWork } from '../../planting/usePlanting';
import { parseNumber, toInput } from '../../units/parse';
import { useReading } from '../../words/useReading';
import { useCatalogue } from '../estate/useCatalogue';

/** After a cold night: the stage of the buds and the coldest temperature propose a loss, until cut buds say. */
export function FrostHelp({ heat }: { heat: TargetDesk['heat'] }) {
  const { t } = useReading();
  const { plan } = usePlantingWork();
  const catalogue = useCatalogue();
  const stages =
    catalogue.data?.frostTables.tables.find((table) => table.crop === plan.planting?.variety.crop)?.stages ?? [];
  if (stages.length === 0) return null;
  return (
    <Popover
      trigger="click"
      placement="bottomLeft"
      destroyOnHidden
      content={<Night crop={plan.planting!.variety.crop} stages={stages} heat={heat} />}
    >
      <button type="button" className="text-button" data-test="frost-help">
        {t('frost.open')}
      </button>
    </Popover>
  );
}

function Night({
  crop,
  stages,
  heat,
}: {
  crop: string;
  stages: { id: string; name: { en: string; es: string } }[];
  heat: TargetDesk['heat'];
}) {
  const { t, local, number, language, system } = useReading();
  const { change, draft } = usePlantingWork();
  const [stage, setStage] = useState(heat?.stage ?? stages[0]!.id);
  const [text, setText] = useState('');
  const [unit, setUnit] = useState(system === 'us' ? '°F' : '°C');
  const value = parseNumber(text, language);
  const loss = useQuery({
    queryKey: ['frost', crop, stage, value, unit],
    queryFn: () =>
      answered(api.POST('/api/v1/calculations/frost-loss', { body: { crop, stage, lowest: { value, unit } } })),
    enabled: value !== null && !Number.isNaN(value),
    retry: false,
  });
  const share = loss.data ? Number((loss.data.clusterLoss * 100).toFixed(1)) : null;
  return (
    <div className="frost">
      <label>
        {t('frost.stage')}{' '}
        <Choice
          label={t('frost.stage')}
          value={stage}
          onChange={setStage}
          options={stages.map((s) => ({ value: s.id, label: local(s.name) }))}
        />
      </label>
      {heat && (
        <p className="small">
          <Why steps={heat.steps}>
            {number(heat.totalC, 0)} {t('unit:°C-days')}
          </Why>{' '}
          {heat.until &&
            t('frost.heat-until', {
              date: new Intl.DateTimeFormat(language, { day: 'numeric', month: 'long' }).format(
                new Date(`${heat.until}T12:00`),
              ),
            })}
          {heat.stages
            .filter((s) => s.reached == null)
            .slice(0, 1)
            .map((s) => (
              <span key={s.stage}>
                {' '}
                ·{' '}
                {t('frost.heat-next', {
                  stage: local(stages.find((x) => x.id === s.stage)?.name),
                  at: number(s.degreeDaysC, 0),
                })}
              </span>
            ))}
        </p>
      )}
      <Notices notices={heat?.warnings ?? []} />
      <label>
        {t('frost.coldest')}{' '}
        <input
          className="frost-temperature"
          inputMode="decimal"
          value={text}
          onChange={(e) => {
            setText(e.target.value);
          }}
          data-test="frost-temperature"
        />
        <Choice
          label={t('unit')}
          value={unit}
          onChange={setUnit}
          options={[
            { value: '°C', label: '°C' },
            { value: '°F', label: '°F' },
          ]}
        />
      </label>
      {loss.data && share !== null && (
        <>
          <p>
            <Why main steps={loss.data.steps}>
              <strong>{number(share, 1)} %</strong>
            </Why>{' '}
            {t('frost.lost', {
              low: number(loss.data.clusterLow * 100, 0),
              high: number(loss.data.clusterHigh * 100, 0),
            })}
          </p>
          <Notices notices={loss.data.warnings} />
          <Button
            type="primary"
            data-test="frost-use"
            onClick={() => {
              change('target', {
                ...draft('target'),
                'insurance.losses.frost': { text: toInput(share, language), unit: '%' },
              });
            }}
          >
            {t('frost.use')}
          </Button>
        </>
      )}
      {loss.error && (
        <p className="field-problem" role="alert">
          {t('frost.wrong')}
        </p>
      )}
    </div>
  );
}
