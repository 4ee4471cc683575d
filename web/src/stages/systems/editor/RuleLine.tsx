import { Input } from 'antd';
import { useReading } from '../../../words/useReading';

/** A rule in the selector language, with what is wrong with it. */
export function RuleLine({
  label,
  value,
  onChange,
  name,
  problem,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  name: string;
  problem?: string | undefined;
}) {
  return (
    <div className="rule-field">
      <label className="rule-line">
        <span className="small dim">{label}</span>
        <Input
          className="rule"
          value={value}
          spellCheck={false}
          autoComplete="off"
          maxLength={400}
          status={problem ? 'error' : ''}
          aria-invalid={problem ? true : undefined}
          data-test={name}
          onChange={(e) => {
            onChange(e.target.value);
          }}
        />
      </label>
      {problem && (
        <p className="field-problem" role="alert" data-test={`${name}-fault`}>
          {problem}
        </p>
      )}
    </div>
  );
}

/** Words of a system in both its languages. */
export function WordsLines({
  label,
  value,
  onChange,
  name,
  most = 400,
  problem,
}: {
  label: string;
  value: { en: string; es: string };
  onChange: (value: { en: string; es: string }) => void;
  name: string;
  most?: number;
  problem?: string | undefined;
}) {
  return (
    <>
      {(['en', 'es'] as const).map((language) => (
        <label key={language} className="rule-line">
          <span className="dim">
            {label} ({language})
          </span>
          <Input.TextArea
            autoSize
            value={value[language]}
            maxLength={most}
            lang={language}
            data-test={`${name}-${language}`}
            onChange={(e) => {
              onChange({ ...value, [language]: e.target.value });
            }}
          />
        </label>
      ))}
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </>
  );
}

/** Where a number or rule comes from. */
export function SourceLine({ source, onChange }: { source: string; onChange: (source: string) => void }) {
  const { t } = useReading();
  return (
    <label className="rule-line">
      <span className="dim">{t('systems.source')}</span>
      <Input
        value={source}
        maxLength={200}
        onChange={(e) => {
          onChange(e.target.value);
        }}
      />
    </label>
  );
}
