import { Button } from 'antd';
import type { School, SchoolAnswer, TargetDesk } from '../../api/client';
import { Why } from '../../entry/Why';
import { useFormFields } from '../../planting/useFormFields';
import { usePlantingWork } from '../../planting/usePlanting';
import { useMay } from '../../people/session';
import { useReading } from '../../words/useReading';
import { useCatalogue } from '../estate/useCatalogue';
import { useLearnedWork } from '../result/useLearning';
import { FrostHelp } from './FrostHelp';

const schools: School[] = ['fixed', 'serviceLevel', 'cheapestMistake'];

/** What is said of the set that holds. */
const setWords: Record<TargetDesk['setStanding'], string> = {
  used: 'set.own',
  untaught: 'set.variety',
  pinned: 'set.pinned',
  putBack: 'set.put-back',
  refused: 'set.refused',
};

/**
 * How many buds to leave per fruit: three schools side by side, each with its number and what following it comes to.
 */
export function Schools({ desk }: { desk: TargetDesk | null }) {
  const { t, number } = useReading();
  const { plan, change, draft } = usePlantingWork();
  const form = useFormFields('target');
  const chosen = plan.start.school;
  const choose = (school: School) => {
    change('target', { ...draft('target'), 'insurance.school': { text: school } });
  };
  const history = desk?.setHistory;
  const usual = useCatalogue().data?.targetDefaults;
  const plain = (value: number | undefined) => (value === undefined ? '' : number(value));
  const percent = (share: number | undefined) => (share === undefined ? '' : number(share * 100));
  return (
    <section className="desk-part" id="insurance">
      <h2>{t('insurance.heading')}</h2>
      <div className="schools" role="radiogroup" aria-label={t('insurance.heading')}>
        {schools.map((school) => {
          const answer = desk?.schools.find((s) => s.school === school);
          const isChosen = school === chosen;
          return (
            <div key={school} className={isChosen ? 'school chosen' : 'school'} data-test={`school-${school}`}>
              <label className="school-name">
                <input
                  type="radio"
                  name="school"
                  checked={isChosen}
                  onChange={() => {
                    choose(school);
                  }}
                />{' '}
                {t(`school.${school}`)}
              </label>
              <Numbers answer={answer} />
              <p className="school-text">{t(`school.${school}.text`)}</p>
              {school === 'fixed' && form.input('budFactor', ['bud/fruit'])}
              {school === 'serviceLevel' &&
                form.input('insurance.reached', ['%'], { placeholder: percent(usual?.reached) })}
              {school === 'cheapestMistake' && (
                <div className="two">
                  {form.input('insurance.costOver', [], { placeholder: plain(usual?.costOver) })}
                  {form.input('insurance.costUnder', [], { placeholder: plain(usual?.costUnder) })}
                </div>
              )}
            </div>
          );
        })}
      </div>
      <div className="fields wide-fields">
        {form.input('insurance.reason', [], { numeric: false, hint: t('insurance.reason-hint') })}
      </div>
      <details className="desk-more" open={hasAny(form.fields, ['insurance.losses.'])}>
        <summary>
          {t('losses.heading')}
          {plan.buds && desk && (
            <span className="desk-glance">
              {desk.losses.kept < 1 ? t('losses.kept', { share: number(desk.losses.kept * 100, 1) }) : t('losses.none')}
            </span>
          )}
        </summary>
        <p className="small dim">{t('losses.text')}</p>
        <div className="fields three">
          {form.input('insurance.losses.winterKill', ['%'])}
          {form.input('insurance.losses.frost', ['%'], { hint: <FrostHelp heat={desk?.heat ?? null} /> })}
          {form.input('insurance.losses.mechanical', ['%'])}
          {form.input('insurance.losses.riskChance', ['%'], { hint: t('losses.risk-hint') })}
          {form.input('insurance.losses.riskLoss', ['%'])}
        </div>
      </details>
      <details
        className="desk-more"
        open={
          desk?.setTaken != null || hasAny(form.fields, ['insurance.set', 'insurance.pruningSd', 'insurance.fruitlets'])
        }
      >
        <summary>
          {t('set.heading')}
          {history && (
            <span className="desk-glance">
              {t(setWords[desk!.setStanding], {
                mean: number(history.mean * 100),
                sd: number(history.sd * 100),
                seasons: history.seasons,
                censored: history.censored,
              })}
            </span>
          )}
        </summary>
        {desk?.setTaken != null && history && (
          <p data-test="set-taken">
            {t('set.taken', { taken: number(desk.setTaken * 100, 0), now: number(history.mean * 100, 0) })}{' '}
            <Button
              size="small"
              onClick={() => {
                change('target', {
                  ...draft('target'),
                  'insurance.takenSet.mean': { text: '' },
                  'insurance.takenSet.sd': { text: '' },
                });
              }}
            >
              {t('set.take')}
            </Button>
          </p>
        )}
        <p className="small dim">{t('set.text')}</p>
        <div className="fields three">
          {form.input('insurance.setShare', ['%'], { placeholder: history ? number(history.mean * 100, 0) : '' })}
          {form.input('insurance.setShareSd', ['%'], { placeholder: history ? number(history.sd * 100, 0) : '' })}
          {form.input('insurance.pruningSd', ['%'], {
            placeholder: percent(usual?.pruningSd),
            hint: t('set.pruning-hint'),
          })}
          {form.input('insurance.fruitlets', [], { hint: t('set.fruitlets-hint') })}
        </div>
        <Miss typed={form.fields['insurance.pruningSd']?.text ?? ''} />
      </details>
    </section>
  );
}

/** How far the trees checked this season came out from their number, to be taken over with one touch. */
function Miss({ typed }: { typed: string }) {
  const { t, number } = useReading();
  const { change, draft, may: mayEdit } = usePlantingWork();
  const miss = useLearnedWork(useMay()('practice')).data?.miss;
  if (!miss?.counts) return null;
  const percent = number(miss.sd * 100, 0);
  return (
    <p data-test="miss-learned">
      {t('set.miss', { count: miss.counts, miss: `${percent} %` })}{' '}
      {mayEdit('target') && typed !== percent && (
        <Button
          size="small"
          onClick={() => {
            change('target', { ...draft('target'), 'insurance.pruningSd': { text: percent, unit: '%' } });
          }}
        >
          {t('set.take')}
        </Button>
      )}
    </p>
  );
}

function Numbers({ answer }: { answer: SchoolAnswer | undefined }) {
  const { t, number, say } = useReading();
  if (!answer) return <p className="dim school-missing">{t('school.missing')}</p>;
  return (
    <>
      <p className="school-number">
        <Why steps={answer.steps}>
          <strong>{number(answer.factor, 2)}</strong>
        </Why>{' '}
        <span className="unit">{t('unit:bud/fruit')}</span>
        <span className="school-buds">
          {number(answer.budsPerTree, 0)} <span className="unit">{t('unit:bud/tree')}</span>
        </span>
      </p>
      {answer.meaning && <p className="school-meaning">{say(answer.meaning)}</p>}
      {answer.warnings.map((w) => (
        <p key={w.code} className="school-warning">
          {say(w)}
        </p>
      ))}
    </>
  );
}

const hasAny = (fields: Record<string, { text: string }>, starts: string[]) =>
  Object.entries(fields).some(([path, field]) => field.text !== '' && starts.some((start) => path.startsWith(start)));
