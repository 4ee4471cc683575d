import { Button } from 'antd';
import { useState } from 'react';
import { useReading } from '../words/useReading';

interface Props {
  /** To whom it goes. */
  intro: string;
  /** What is handed over, shown this once. */
  secret: string;
  /** What to know of it. */
  after: string;
  /** What copying it is called. */
  copy: string;
}

/** Something secret, shown once to be handed over. */
export function HandOver({ intro, secret, after, copy }: Props) {
  const { t } = useReading();
  const [copied, setCopied] = useState(false);
  return (
    <div className="sheet people-add" role="status" data-test="hand-over">
      <p>{intro}</p>
      <code className="people-link">{secret}</code>
      <Button
        onClick={() => {
          void navigator.clipboard.writeText(secret).then(() => {
            setCopied(true);
          });
        }}
      >
        {copied ? t('people.copied') : copy}
      </Button>
      <p className="small dim">{after}</p>
    </div>
  );
}
