import { Button, Modal } from 'antd';
import { useReading } from '../words/useReading';
import { partOf, type Drafts, type PartName } from './parts';
import { usePlantingWork } from './usePlanting';

/** Two people saved the same part: both versions side by side, and nothing lost whichever is taken. */
export function ConflictDialog() {
  const reading = useReading();
  const { t } = reading;
  const { conflict, draft, save, takeTheirs, saving } = usePlantingWork();
  if (!conflict) return null;
  const { section, current } = conflict;
  const mine = lines(draft(section));
  const theirs = lines(partOf(section).from(current, reading));
  const paths = [...new Set([...mine.keys(), ...theirs.keys()])].filter((path) => mine.get(path) !== theirs.get(path));
  return (
    <Modal open title={t('conflict.title')} closable={false} footer={null} width={620}>
      <p>{t('conflict.text')}</p>
      {paths.length === 0 ? (
        <p>{t('conflict.same')}</p>
      ) : (
        <table className="figures conflict">
          <thead>
            <tr>
              <th>{t('conflict.field')}</th>
              <th>{t('conflict.mine')}</th>
              <th>{t('conflict.theirs')}</th>
            </tr>
          </thead>
          <tbody>
            {paths.map((path) => (
              <tr key={path}>
                <th scope="row">{fieldName(section, path, t)}</th>
                <td>{mine.get(path) ?? '–'}</td>
                <td>{theirs.get(path) ?? '–'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <div className="save-bar">
        <Button type="primary" loading={saving} onClick={() => void save(section, current)} data-test="keep-mine">
          {t('conflict.keep-mine')}
        </Button>
        <Button
          onClick={() => {
            takeTheirs(conflict);
          }}
          data-test="take-theirs"
        >
          {t('conflict.take-theirs')}
        </Button>
      </div>
    </Modal>
  );
}

/** A draft as lines to compare: one a field, or one a line of its sheet, known by its first cells. */
function lines(draft: Drafts[PartName]): Map<string, string> {
  if ('lines' in draft) {
    return new Map(
      (draft as Drafts['rows']).lines.map((line) => {
        const { row, tree, firstTree, season, told, ...rest } = line;
        const cells = Object.values(rest).filter(Boolean).join(' · ');
        return [[season ?? row, tree ?? firstTree].filter(Boolean).join('/'), told ? `${cells} …` : cells];
      }),
    );
  }
  return new Map(
    Object.entries(draft as Drafts['target']).map(([path, field]) => [
      path,
      field.text === '' ? '–' : `${field.text} ${field.unit ?? ''}`.trim(),
    ]),
  );
}

function fieldName(section: PartName, path: string, t: (key: string, values?: Record<string, string>) => string) {
  return section === 'count' || section === 'rows' || section === 'fruitSample'
    ? t('conflict.tree', { place: path })
    : section === 'records'
      ? path
      : t(`field.${path}`);
}
