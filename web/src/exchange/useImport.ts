import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { RequestError, type FileView, type ImportMapping, type ImportReport } from '../api/client';
import { useSession } from '../people/session';
import { useReading } from '../words/useReading';
import { problemFile, readEstate, tableFile } from './importFile';
import { forgetMapping, keepMapping, keptMapping } from './keptMapping';
import { useFileWork } from './useFileWork';

export const megabytes = (bytes: number) => Math.round(bytes / 1024 / 1024);

/** One import of at most so many bytes: a file of one of the tables, or a whole estate into an empty one. */
export function useImport(mostBytes: number) {
  const { t } = useReading();
  const client = useQueryClient();
  const work = useFileWork<FileView, ImportMapping, ImportReport>();
  const [estateRead, setEstateRead] = useState(false);
  const { file, mapping, view } = work;
  const estate = useSession().data?.here?.estateId ?? '';
  const saved = work.report?.saved === true;
  useEffect(() => {
    if (saved && view) forgetMapping(estate, view);
  }, [saved, view, estate]);

  const choose = (chosen: File, table: string | null) => {
    setEstateRead(false);
    const isEstate = chosen.name.toLowerCase().endsWith('.zip');
    const way = tableFile(table);
    const read: typeof way.read = async (_, signal) => {
      if (chosen.size > mostBytes)
        throw new RequestError(413, { title: t('import.too-large', { mb: megabytes(mostBytes) }) });
      if (!isEstate) {
        const read = await way.read(chosen, signal);
        const said = read && keptMapping(estate, read);
        // What was said goes along once more: whether it still holds of this file the server decides.
        return said && (table === null || table === said.table)
          ? tableFile(said.table, said).read(chosen, signal)
          : read;
      }
      await readEstate(chosen, signal);
      setEstateRead(true);
      await client.invalidateQueries();
      return null;
    };
    work.choose(chosen, { ...way, read }, isEstate);
  };

  return {
    ...work,
    map: (made: ImportMapping) => {
      if (view) keepMapping(estate, view, made);
      work.map(made);
    },
    estateRead,
    chooseFile: (chosen: File) => {
      choose(chosen, null);
    },
    chooseTable: (table: string) => {
      if (file) choose(file, table);
    },
    downloadProblems: () => {
      if (!file || !mapping) return;
      work.step(async (signal) => {
        const link = document.createElement('a');
        link.href = URL.createObjectURL(await problemFile(file, mapping, signal));
        link.download = file.name.replace(/(\.\w+)?$/, (ending) => `-problems${ending === '.xlsx' ? ending : '.csv'}`);
        link.click();
        URL.revokeObjectURL(link.href);
      });
    },
  };
}
