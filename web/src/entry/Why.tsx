import { Popover } from 'antd';
import type { ReactNode } from 'react';
import type { Figure, Step } from '../api/client';
import { useReading } from '../words/useReading';
import './why.css';

/** A number that can be asked why: opens the core's own arithmetic. */
export function Why({ steps, children }: { steps: Step[]; children: ReactNode }) {
  const { t } = useReading();
  return (
    <Popover trigger="click" placement="bottomRight" content={<Arithmetic steps={steps} />} destroyOnHidden>
      <button type="button" className="why" aria-label={t('why')}>
        {children}
        <span className="why-mark" aria-hidden>{t('why')}</span>
      </button>
    </Popover>
  );
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
  const { t, amount } = useReading();
  const shown = amount(figure.value, figure.unit);
  return <>{t(figure.name, { defaultValue: figure.name })} {shown.number} <span className="unit">{shown.unit}</span></>;
}
