import { Sheet, type SheetColumn } from '../../entry/Sheet';
import { Part } from '../../planting/Part';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import './rows.css';
import { RowsInBulk } from './RowsInBulk';

/** The rows of the planting and the trees that stand out in them. */
export function Rows() {
  const { t } = useReading();
  const { draft, change, problem } = usePlantingWork();
  const columns: SheetColumn[] = [
    { key: 'row', label: t('count.row'), wide: 0.5 },
    { key: 'firstTree', label: t('rows.first'), wide: 0.7 },
    { key: 'trees', label: t('rows.trees'), wide: 0.7 },
    { key: 'missing', label: t('rows.missing'), text: true },
    { key: 'replants', label: t('rows.replants'), text: true },
    { key: 'pollinizers', label: t('rows.pollinizers'), text: true },
    { key: 'toGrub', label: t('rows.to-grub'), text: true },
  ];
  const none = draft('rows').lines.every((l) => !l['row']);
  return (
    <div className="rows" data-test="rows">
      <h2>{t('rows.title')}</h2>
      <Part section="rows">
        <Sheet
          full
          path="rows.rows"
          columns={columns}
          lines={draft('rows').lines}
          onLines={(lines) => {
            change('rows', { lines });
          }}
          problem={(line, field) => problem('rows', `rows[${line}].${field}`)}
        />
        <p className="small dim">{t('rows.text')}</p>
        <RowsInBulk isOpen={none} />
      </Part>
    </div>
  );
}
