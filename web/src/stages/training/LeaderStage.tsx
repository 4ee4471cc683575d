import { Button, Segmented } from 'antd';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { RequestError, type BareLeaderEntry, type TrainingView } from '../../api/client';
import { LeaderDrawing, LeaderFromAbove } from '../../drawings/LeaderDrawing';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { fieldControls } from '../../entry/fieldControls';
import { Notices } from '../../entry/Notices';
import { problemText } from '../../entry/problemText';
import { Why } from '../../entry/Why';
import { usePlantingWork } from '../../planting/usePlanting';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { useBareLeader, useTraining } from './useTraining';
import './training.css';

type Way = 'buds' | 'agent';

const spec: FormSpec = {
  length: { amount: 'm' },
  internode: { amount: 'cm' },
  topBuds: 'number',
  takenEach: 'number',
};

/** The bench of a bare leader: which buds stay to become limbs, or where the bands of an agent come. */
export function LeaderStage() {
  const { t } = useReading();
  const { view } = usePlantingWork();
  const training = useTraining(view.id);
  if (training.error) return <Trouble error={training.error} retry={() => void training.refetch()} />;
  if (!training.data) return <p className="waiting">{t('loading')}</p>;
  return <Leader training={training.data} />;
}

function Leader({ training }: { training: TrainingView }) {
  const reading = useReading();
  const { t, number, told, language } = reading;
  const [way, setWay] = useState<Way>('buds');
  const [turned, setTurned] = useState<number[]>([]);
  const [draft, setDraft] = useState<Draft>(() => toDraft(spec, training.leader, reading));
  const { entry } = readDraft<Pick<BareLeaderEntry, 'length' | 'internode' | 'topBuds' | 'takenEach'>>(
    spec,
    draft,
    language,
  );
  const asked = useBareLeader(useDeferredValue({ ...entry, way, turned: way === 'buds' ? turned : [] }));
  const problems = asked.error instanceof RequestError ? (asked.error.problem.problems ?? []) : [];
  const problem = (path: string) => {
    const found = problems.find((p) => p.field === path);
    return found && problemText(found, reading);
  };
  const form = fieldControls(
    'leader',
    draft,
    (next) => {
      setDraft(next);
      setTurned([]);
    },
    problem,
    t,
    () => undefined,
  );
  const refused = problems.find((p) => p.field === 'turned');
  const leader = asked.data;
  const off = leader && leader.buds.length > 0 ? (leader.off / leader.buds.length) * 100 : 0;
  return (
    <section className="training leader-bench" data-test="leader-bench">
      <div className="stage-head">
        <h2>{t('leader.title')}</h2>
        <Link to=".." relative="path" className="small">
          ← {t('training.title')}
        </Link>
      </div>
      <div className="leader-columns">
        <div className="leader-stand">
          {leader && (
            <LeaderDrawing
              leader={leader}
              width={230}
              height={560}
              label={t('leader.drawing', { kept: leader.kept, buds: leader.buds.length })}
              {...(way === 'buds' && {
                onTurn: (bud: number) => {
                  setTurned(turned.includes(bud) ? turned.filter((b) => b !== bud) : [...turned, bud]);
                },
              })}
            />
          )}
        </div>
        <div>
          {leader && (
            <p className="leader-number" data-test="leader-number">
              <Why steps={leader.steps} main>
                <strong>{leader.kept}</strong>{' '}
                {t(way === 'buds' ? 'leader.kept' : 'leader.under-bands', { buds: leader.buds.length })}
              </Why>
            </p>
          )}
          {leader && (
            <ul className="leader-facts">
              {way === 'buds' ? (
                <>
                  <li>{t('leader.off', { off: leader.off, share: number(off, 0) })}</li>
                  {leader.limbSpacingCm != null && (
                    <li>{t('leader.limbs', { apart: told(leader.limbSpacingCm, 'cm', 0) })}</li>
                  )}
                </>
              ) : (
                <li>
                  {t('leader.bands', { count: leader.bandsCm.length })}{' '}
                  {leader.bandsCm.map((cm) => told(cm, 'cm', 0)).join(' · ')} {t('leader.below-tip')}
                </li>
              )}
              <li>{t('leader.quarters', { quarters: leader.quarters.join(' · ') })}</li>
            </ul>
          )}
          <div className="leader-above">
            {leader && <LeaderFromAbove leader={leader} size={150} />}
            <span className="small dim">{t('leader.above')}</span>
          </div>
          <Segmented
            value={way}
            onChange={(next) => {
              setWay(next);
              setTurned([]);
            }}
            options={(['buds', 'agent'] as const).map((w) => ({ value: w, label: t(`leader.way-${w}`) }))}
          />
          <div className="fields">
            {form.input('length', ['m', 'cm', 'ft', 'in'], { label: t('training.growth') })}
            {form.input('internode', ['cm', 'mm', 'in'], { label: t('training.internode') })}
            {way === 'buds' && (
              <>
                {form.input('topBuds', ['bud'], { label: t('leader.top') })}
                {form.input('takenEach', ['bud'], { label: t('leader.taken-each') })}
              </>
            )}
          </div>
          {refused && (
            <p className="field-problem" role="alert" data-test="leader-refused">
              {problemText(refused, reading)}
            </p>
          )}
          {turned.length > 0 && (
            <Button
              size="small"
              onClick={() => {
                setTurned([]);
              }}
            >
              {t('leader.as-proposed')}
            </Button>
          )}
          <p className="small dim">{t(way === 'buds' ? 'leader.tap' : 'leader.label')}</p>
          {leader && <Notices notices={leader.warnings} />}
        </div>
      </div>
    </section>
  );
}
