import { Button, Progress } from 'antd';
import { useId, useState, type ReactNode } from 'react';
import { useReading } from '../words/useReading';
import './fileWork.css';
import type { FileProgress } from './sendFile';

interface FileWorkProps {
  work: {
    file: File | null;
    running: (FileProgress & { saving: boolean }) | null;
    failure: string | null;
    cancel: () => void;
  };
  /** Which files can be chosen, as a browser lists them. */
  accept: string;
  /** Which files are meant, in words. */
  formats: string;
  onFile: (file: File) => void;
  /** Which column is which; null while there is no file to tell. */
  mapping: ReactNode;
  /** What taking it in would do, or has done; null while that is not known. */
  report: ReactNode;
}

/** A file on its way in: chosen, looked at, its columns mapped, checked and taken in. */
export function FileWork({ work, accept, formats, onFile, mapping, report }: FileWorkProps) {
  return (
    <div className={mapping ? 'columns' : undefined}>
      <section>
        <FileChoice onFile={onFile} chosen={work.file?.name ?? null} accept={accept} formats={formats} />
        {mapping}
      </section>
      <aside className={mapping ? 'sheet file-result' : ''} aria-live="polite">
        {work.failure && (
          <p className="field-problem" role="alert" data-test="file-failure">
            {work.failure}
          </p>
        )}
        {work.running ? <Running running={work.running} onCancel={work.cancel} /> : report}
      </aside>
    </div>
  );
}

function Running({ running, onCancel }: { running: FileProgress & { saving: boolean }; onCancel: () => void }) {
  const { t, number } = useReading();
  const { done, lines, ahead = 0 } = running;
  return (
    <div>
      <p>
        {ahead > 0 ? t('import.waits', { count: ahead }) : t(running.saving ? 'import.saving' : 'import.checking')}
        {done > 0 && ` ${t('import.lines', { lines: number(done, 0) })}`}
        {lines !== null && lines > 0 && ` / ${number(lines, 0)}`}
      </p>
      {lines !== null && lines > 0 && (
        <Progress percent={Math.round((100 * done) / lines)} showInfo={false} aria-label={t('import.progress')} />
      )}
      <Button onClick={onCancel} data-test="cancel">
        {t('import.cancel')}
      </Button>
    </div>
  );
}

/** A place to drop a file on, or to choose one. */
function FileChoice({
  onFile,
  chosen,
  accept,
  formats,
}: {
  onFile: (file: File) => void;
  chosen: string | null;
  accept: string;
  formats: string;
}) {
  const { t } = useReading();
  const id = useId();
  const [over, setOver] = useState(false);
  const take = (files: FileList | null) => {
    if (files?.[0]) onFile(files[0]);
  };
  return (
    <label
      htmlFor={id}
      className={`file-choice${over ? ' file-over' : ''}`}
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => {
        setOver(false);
      }}
      onDrop={(e) => {
        e.preventDefault();
        setOver(false);
        take(e.dataTransfer.files);
      }}
    >
      <strong>{chosen ?? t('import.choose')}</strong>
      <span className="small dim">{chosen ? t('import.other') : formats}</span>
      {/* Emptied after each choice, so that a mended file of the same name is taken again. */}
      <input
        id={id}
        type="file"
        accept={accept}
        onChange={(e) => {
          take(e.target.files);
          e.target.value = '';
        }}
        data-test="file"
      />
    </label>
  );
}
