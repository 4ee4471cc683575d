import { Button } from 'antd';
import { useReading } from '../words/useReading';

/** What is typed and saved, as the line below it needs it. */
export interface Saving {
  isDirty: boolean;
  /** Whether what is shown can be saved though nothing is typed. */
  isOffered?: boolean;
  /** Whether anything is saved. */
  isSaved: boolean;
  busy: boolean;
  failure: string | null | undefined;
  save: () => void;
  discard: () => void;
  canUndo: boolean;
  undo: () => void;
}

/** Save, discard and undo, in one wording all over, and what went wrong beside any field. */
export function SaveLine({
  of,
  test = 'save',
  label,
  together,
  wrong,
  submits = false,
  onClose,
  children,
}: {
  of: Saving;
  test?: string;
  /** What saving is called where it says more than that. */
  label?: string;
  /** What else was saved with it. */
  together?: string;
  /** What is wrong beside any field, where the page knows of more. */
  wrong?: string | null | undefined;
  /** Whether the form it stands in saves when it is submitted, by Enter too. */
  submits?: boolean;
  /** Closes a form that is open for one of many; so does discarding. */
  onClose?: () => void;
  /** What else can be done here. */
  children?: React.ReactNode;
}) {
  const { t } = useReading();
  const { isDirty, isOffered = false, isSaved, busy, failure, save, discard, canUndo, undo } = of;
  const told = failure ?? wrong;
  return (
    <div className="save-bar">
      <Button
        type="primary"
        htmlType={submits ? 'submit' : 'button'}
        disabled={!isDirty && !isOffered}
        loading={busy}
        onClick={submits ? undefined : save}
        data-test={test}
      >
        {label ?? t('save')}
      </Button>
      {isDirty || onClose === undefined ? (
        <Button
          disabled={!isDirty || busy}
          onClick={() => {
            discard();
            onClose?.();
          }}
        >
          {t('discard')}
        </Button>
      ) : (
        <Button onClick={onClose}>{t('close')}</Button>
      )}
      {!isDirty && canUndo && (
        <Button disabled={busy} onClick={undo} data-test={`undo-${test}`}>
          {t('undo-save')}
        </Button>
      )}
      {children}
      <span className="small dim" role="status" data-test={`${test}-state`}>
        {isDirty ? t('unsaved') : isSaved && t('saved')}
        {together}
      </span>
      {told && (
        <p className="field-problem" role="alert">
          {told}
        </p>
      )}
    </div>
  );
}
