import { Button } from 'antd';
import type { SystemPack, TrainingSystem } from '../../../api/client';
import { Choice } from '../../../entry/Choice';
import { useReading } from '../../../words/useReading';
import { AddByName } from './AddByName';
import { AnswerLines, type Answer } from './AnswerLines';
import type { ListProps } from './ListProps';
import { faultAt } from './packFaults';
import { WordsLines } from './RuleLine';
import { freeId } from './ruleText';

type Question = TrainingSystem['questions'][number];

/** Points on which orchardists disagree, with the answers to choose from. */
export function QuestionsList({ system, faults, set, choices }: ListProps & { choices: SystemPack['choices'] }) {
  const { t, local } = useReading();
  const change = (at: number, part: Partial<Question>) => {
    set({ questions: system.questions.map((q, i) => (i === at ? { ...q, ...part } : q)) });
  };
  return (
    <section>
      <strong>{t('systems.questions')}</strong>
      <ul className="system-list">
        {system.questions.map((q, i) => (
          <li key={q.id} data-test={`question-${q.id}`}>
            <details>
              <summary>
                {local(q.name)} <span className="dim small">{q.options.map((o) => local(o.name)).join(' · ')}</span>
              </summary>
              <WordsLines
                label={t('systems.name')}
                value={q.name}
                most={60}
                onChange={(name) => {
                  change(i, { name });
                }}
                name={`question-${q.id}-name`}
              />
              <span className="small dim">{t('systems.usual')}</span>{' '}
              <Choice
                label={t('systems.usual')}
                empty={t('systems.first-answer')}
                value={q.usual ?? ''}
                options={q.options.map((o) => ({ value: o.id, label: local(o.name) }))}
                onChange={(usual) => {
                  change(i, { usual: usual === '' ? null : usual });
                }}
              />
              {q.options.map((answer, j) => (
                <AnswerLines
                  key={answer.id}
                  answer={answer}
                  system={system}
                  choices={choices}
                  fault={faultAt(faults, `questions[${i}].options[${j}]`)}
                  set={(part) => {
                    change(i, { options: q.options.map((x, k) => (k === j ? { ...x, ...part } : x)) });
                  }}
                  takeOut={
                    q.options.length <= 2
                      ? null
                      : () => {
                          change(i, { options: q.options.filter((_, k) => k !== j) });
                        }
                  }
                />
              ))}
              <AddByName
                label={t('systems.new-answer')}
                test={`question-${q.id}-answer`}
                onAdd={(name) => {
                  const taken = q.options.map((o) => o.id);
                  change(i, { options: [...q.options, answerOf({ en: name, es: name }, taken)] });
                }}
              />
              <Button
                size="small"
                onClick={() => {
                  set({ questions: system.questions.filter((_, k) => k !== i) });
                }}
              >
                {t('systems.take-out-question')}
              </Button>
            </details>
          </li>
        ))}
      </ul>
      <AddByName
        label={t('systems.new-question')}
        test="new-question"
        onAdd={(name) => {
          const taken = system.questions.map((q) => q.id);
          const options = [answerOf({ en: 'Yes', es: 'Sí' }, []), answerOf({ en: 'No', es: 'No' }, [])];
          set({
            questions: [
              ...system.questions,
              { id: freeId(name, taken), name: { en: name, es: name }, options, usual: null },
            ],
          });
        }}
      />
    </section>
  );
}

/** An answer that changes nothing yet. */
const answerOf = (name: { en: string; es: string }, taken: readonly string[]): Answer => ({
  id: freeId(name.en, taken),
  name,
  why: { en: '', es: '' },
  sets: null,
  orders: null,
  leavesOut: null,
  sequence: null,
  aim: null,
  suits: null,
  moves: null,
  twoPasses: false,
});
