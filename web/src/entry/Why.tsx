import { useQuery } from '@tanstack/react-query';
import { Popover } from 'antd';
import type { ReactNode } from 'react';
import type { Figure, Step } from '../api/client';
import { useReading } from '../words/useReading';
import './why.css';

/** The steps of some codes, in their order, for a number that is one line of a longer chain. */
export function stepsOf(steps: Step[], ...codes: string[]): Step[] {
  return steps.filter((s) => codes.includes(s.code));
}

/** A number that can be asked why: opens the core's own arithmetic. The word stands beside main numbers, a dotted line under others. */
export function Why({ steps, main = false, children }: { steps: Step[]; main?: boolean; children: ReactNode }) {
  const { t } = useReading();
  if (steps.length === 0) return <>{children}</>;
  return (
    <Popover trigger="click" placement="bottomRight" content={<Arithmetic steps={steps} />} destroyOnHidden>
      <button type="button" className={main ? 'why' : 'why why-quiet'} title={t('why')}>
        {children}
        {main && <span className="why-mark">{t('why')}</span>}
      </button>
    </Popover>
  );
}

/** A number whose arithmetic is only fetched when somebody asks for it. */
export function WhyAsked({ ask, name, children }: { ask: () => Promise<Step[]>; name: string[]; children: ReactNode }) {
  const { t } = useReading();
  return (
    <Popover trigger="click" placement="bottomRight" content={<Asked ask={ask} name={name} />} destroyOnHidden>
      <button type="button" className="why why-quiet" title={t('why')}>{children}</button>
    </Popover>
  );
}

function Asked({ ask, name }: { ask: () => Promise<Step[]>; name: string[] }) {
  const { t } = useReading();
  const steps = useQuery({ queryKey: ['why', ...name], queryFn: ask, gcTime: 0 });
  if (steps.error) return <p className="field-problem">{t('why.failed')}</p>;
  return steps.data ? <Arithmetic steps={steps.data} /> : <p className="small dim">{t('why.wait')}</p>;
}

function Arithmetic({ steps }: { steps: Step[] }) {
  const { t } = useReading();
  return (
    <ol className="arithmetic">
      {steps.map((step, i) => (
        <li key={i}>
          <strong><Term figure={step.result} /></strong>
          <p>= {t(step.formula, { defaultValue: step.formula })}</p>
          {step.inputs.length > 0 && <ul>{step.inputs.map((input, j) => <li key={j}><Term figure={input} /></li>)}</ul>}
          <p className="small dim">{t(step.source, { defaultValue: step.source })}</p>
        </li>
      ))}
    </ol>
  );
}

function Term({ figure }: { figure: Figure }) {
  const { t, local, amount } = useReading();
  const shown = amount(figure.value, figure.unit);
  return <>{figure.words ? local(figure.words) : t(figure.name, { defaultValue: figure.name })} {shown.number} <span className="unit">{shown.unit}</span></>;
}
