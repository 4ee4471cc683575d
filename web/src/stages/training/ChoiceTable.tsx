import { Fragment } from 'react';
import type { SystemChoice } from '../../api/client';
import { Why } from '../../entry/Why';
import { useReading } from '../../words/useReading';

/** The same leaf by leaf in figures: hours by kind of work, crop, height and what is left. */
export function ChoiceTable({ choice, currency }: { choice: SystemChoice; currency: string | null }) {
  const { t, local, amount, unitName } = useReading();
  const { systems } = choice;
  const money = `${currency ?? 'XXX'}/ha`;
  const hasMargin = systems[0]?.leaves[0]?.margin != null;
  const of = (value: number, unit: string, decimals: number) => amount(value, unit, decimals).number;
  const unit = (code: string) => amount(0, code).unit.replace('XXX', t('choice.money'));
  const columns = hasMargin ? 4 : 3;
  return (
    <div className="choice-scroll">
      <table className="figures compact choice-table" data-test="choice-table">
        <thead>
          <tr>
            <th rowSpan={2} scope="col">
              {t('choice.leaf')}
            </th>
            {systems.map((s) => (
              <th key={s.id} colSpan={columns} scope="colgroup" className="choice-group">
                {local(s.name)}
                <br />
                <span className="small dim">
                  {[
                    `${of(s.treesPerHa, 'tree/ha', 0)} ${unit('tree/ha')}`,
                    t('choice.leaders', { count: s.leaders }),
                    t('choice.top', { leaf: s.topLeaf }),
                  ].join(' · ')}
                </span>
              </th>
            ))}
          </tr>
          <tr className="small">
            {systems.map((s) => (
              <Fragment key={s.id}>
                <th scope="col" className="choice-first">
                  {t('choice.hours')}
                  <br />
                  {unit('h/ha')}
                </th>
                <th scope="col">
                  {t('choice.crop')}
                  <br />
                  {unit('t/ha')}
                </th>
                <th scope="col">
                  {t('choice.height')}
                  <br />
                  {unitName(unit('m'))}
                </th>
                {hasMargin && (
                  <th scope="col">
                    {t('choice.margin')}
                    <br />
                    {unit(money)}
                  </th>
                )}
              </Fragment>
            ))}
          </tr>
        </thead>
        <tbody>
          {(systems[0]?.leaves ?? []).map((_, i) => (
            <tr key={i}>
              <th scope="row">{i + 1}</th>
              {systems.map((s) => {
                const leaf = s.leaves[i]!;
                return (
                  <Fragment key={s.id}>
                    <td className="choice-first">
                      {of(leaf.hours, 'h/ha', 0)}{' '}
                      <span className="small dim choice-kinds">
                        {of(leaf.training, 'h/ha', 0)} + {of(leaf.pruning, 'h/ha', 0)} + {of(leaf.thinning, 'h/ha', 0)}
                      </span>
                    </td>
                    <td>{of(leaf.cropT, 't/ha', 0)}</td>
                    <td>{of(leaf.heightM, 'm', 1)}</td>
                    {hasMargin && <td>{of(leaf.margin ?? 0, money, 0)}</td>}
                  </Fragment>
                );
              })}
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">{t('choice.all')}</th>
            {systems.map((s) => (
              <Fragment key={s.id}>
                <td className="choice-first">
                  <Why steps={s.steps}>{of(s.hours, 'h/ha', 0)}</Why>
                </td>
                <td>{of(s.cropT, 't/ha', 0)}</td>
                <td />
                {hasMargin && <td title={t('choice.today')}>{of(s.leaves.at(-1)?.discounted ?? 0, money, 0)}*</td>}
              </Fragment>
            ))}
          </tr>
        </tfoot>
      </table>
      <p className="small dim">{t('choice.kinds')}</p>
      {hasMargin && <p className="small dim">* {t('choice.today')}</p>}
    </div>
  );
}
