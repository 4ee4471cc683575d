import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Slider } from 'antd';
import { useDeferredValue, useState } from 'react';
import { api, answered, type RowLight } from '../../api/client';
import { FacesDrawing } from '../../drawings/FacesDrawing';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { useReading } from '../../words/useReading';

const STEP_M = 0.1;

/** How much of the day each face is lit by height; canopy height and row distance are moved by hand. */
export function LightInRow({ light, rowM, open = false }: { light: RowLight; rowM: number; open?: boolean }) {
  const { t, told, number } = useReading();
  const [height, setHeight] = useState(Math.round(light.heightM * 10) / 10);
  const [row, setRow] = useState(rowM);
  const moved = useDeferredValue({ height, row });
  const faces = useQuery({
    queryKey: ['row-light', light.place, moved],
    queryFn: () =>
      answered(
        api.POST('/api/v1/calculations/row-light', {
          body: {
            rows: { ...light.place },
            rowSpacing: { value: moved.row, unit: 'm' },
            height: { value: moved.height, unit: 'm' },
            depth: null,
          },
        }),
      ),
    placeholderData: keepPreviousData,
  });
  const share = (value: number) => number(value * 100, 0);
  return (
    <details className="desk-more" data-test="row-light" open={open}>
      <summary>{t('row-light.title')}</summary>
      {faces.data && (
        <div className="row-light">
          <FacesDrawing light={faces.data} heightM={moved.height} rowM={moved.row} />
          <div>
            <p className="row-light-number">
              <Why steps={faces.data.steps} main>
                <strong>{share(faces.data.lowestThird)} %</strong> {t('row-light.low')}
              </Why>
            </p>
            <p className="small">
              {t('row-light.lower', {
                by: told(faces.data.lowerByM, 'm', 1),
                share: share(faces.data.lower),
              })}
              <br />
              {t('row-light.wider', {
                by: told(faces.data.widerByM, 'm', 1),
                share: share(faces.data.wider),
              })}
            </p>
            <label className="small">
              {t('row-light.height', { height: told(height, 'm', 1) })}
              <Slider
                min={1}
                max={5}
                step={STEP_M}
                value={height}
                onChange={setHeight}
                tooltip={{ open: false }}
                ariaLabelForHandle={t('row-light.height', { height: told(height, 'm', 1) })}
              />
            </label>
            <label className="small">
              {t('row-light.row', { row: told(row, 'm', 1) })}
              <Slider
                min={2}
                max={8}
                step={STEP_M}
                value={row}
                onChange={setRow}
                tooltip={{ open: false }}
                ariaLabelForHandle={t('row-light.row', { row: told(row, 'm', 1) })}
              />
            </label>
            <Notices notices={faces.data.warnings} />
          </div>
        </div>
      )}
      {light.isAssumed && <p className="small">{t('row-light.assumed')}</p>}
      {faces.data && <p className="small dim">{t('row-light.text', { depth: told(faces.data.depthM, 'm', 1) })}</p>}
    </details>
  );
}
