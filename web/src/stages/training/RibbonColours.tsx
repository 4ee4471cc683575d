import { api, answered, type ReworkStanding, type ReworkView } from '../../api/client';
import { ChoiceField } from '../../entry/Choice';
import { SaveLine } from '../../entry/SaveLine';
import { useEntryForm } from '../../entry/useEntryForm';
import { useMay } from '../../people/session';
import { useReading } from '../../words/useReading';
import { Ribbon } from './Ribbon';
import { standingName } from './standing';

/** Which ribbon stands for what, all over the estate. */
export function RibbonColours({ rework }: { rework: ReworkView }) {
  const { t } = useReading();
  const may = useMay();
  const form = useEntryForm<ReworkView['ribbons']>({
    of: 'ribbons',
    section: 'ribbons',
    spec: {},
    standing: rework.ribbons,
    put: (ribbons) => answered(api.PUT('/api/v1/ribbons', { body: { version: rework.estateVersion, ribbons } })),
  });
  const { chosen, choose, problem } = form;
  const standings = Object.keys(rework.ribbons) as ReworkStanding[];
  if (!may('plan')) return null;
  const wrong = problem('ribbons') ?? standings.map((s) => problem(`ribbons.${s}`)).find((p) => p !== undefined);
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
                {standingName(t, standing, null)} <Ribbon colour={chosen[standing] ?? 'none'} />
              </>
            }
            value={chosen[standing] ?? 'none'}
            onChange={(colour) => {
              choose({ [standing]: colour });
            }}
            options={rework.rules.colours.map((c) => ({ value: c, label: t(`rework.colour.${c}`) }))}
          />
        ))}
      </div>
      <SaveLine of={form} test="save-ribbons" wrong={wrong} />
    </details>
  );
}
