import { useQuery, type UseQueryOptions } from '@tanstack/react-query';
import { Popover } from 'antd';
import type { ReactNode } from 'react';
import type { Figure, Step } from '../api/client';
import { useReading } from '../words/useReading';
import './why.css';

/** The steps of some codes, in their order, for a number that is one line of a longer chain. */
export function stepsOf(steps: Step[], ...codes: string[]): Step[] {
  return steps.filter((s) => codes.includes(s.code));
}

/**
 * A number that can be asked why: opens the core's own arithmetic. The word stands beside main numbers, a dotted line
 * under others.
 */
export function Why({ steps, main = false, children }: { steps: Step[]; main?: boolean; children: ReactNode }) {
  if (steps.length === 0) return <>{children}</>;
  return (
    <Opening content={<Arithmetic steps={steps} />} main={main}>
      {children}
    </Opening>
  );
}

/** The same, where the arithmetic is only fetched when somebody asks for it. */
export function WhyAsked<T extends { steps: Step[] }>({
  query,
  code,
  children,
}: {
  query: UseQueryOptions<T>;
  code: string;
  children: ReactNode;
}) {
  return <Opening content={<Asked query={query} code={code} />}>{children}</Opening>;
}

function Opening({ content, main = false, children }: { content: ReactNode; main?: boolean; children: ReactNode }) {
  const { t } = useReading();
  return (
    <Popover trigger="click" placement="bottomRight" content={content} destroyOnHidden>
      <button type="button" className={main ? 'why' : 'why why-quiet'} title={t('why')}>
        {children}
        {main && <span className="why-mark">{t('why')}</span>}
      </button>
    </Popover>
  );
}

function Asked<T extends { steps: Step[] }>({ query, code }: { query: UseQueryOptions<T>; code: string }) {
  const { t } = useReading();
  const asked = useQuery(query);
  if (asked.error) return <p className="field-problem">{t('why.failed')}</p>;
  return asked.data ? (
    <Arithmetic steps={stepsOf(asked.data.steps, code)} />
  ) : (
    <p className="small dim">{t('why.wait')}</p>
  );
}

function Arithmetic({ steps }: { steps: Step[] }) {
  const { t } = useReading();
  return (
    <ol className="arithmetic">
      {steps.map((step, i) => (
        <li key={i}>
          <strong>
            <Term figure={step.result} />
          </strong>
          <p>= {t(step.formula, { defaultValue: step.formula })}</p>
          {step.inputs.length > 0 && (
            <ul>
              {step.inputs.map((input, j) => (
                <li key={j}>
                  <Term figure={input} />
                </li>
              ))}
            </ul>
          )}
          <p className="small dim">{t(step.source, { defaultValue: step.source })}</p>
        </li>
      ))}
    </ol>
  );
}

function Term({ figure }: { figure: Figure }) {
  const { t, local, amount } = useReading();
  const shown = amount(figure.value, figure.unit, 'to-check');
  return (
    <>
      {figure.words ? local(figure.words) : t(figure.name, { defaultValue: figure.name })} {shown.number}{' '}
      <span className="unit">{shown.unit}</span>
    </>
  );
}
