import { useReading } from '../../words/useReading';
import './rework.css';

/** The ribbon of a standing: its colour, and the word for whoever tells colours apart badly. */
export function Ribbon({ colour }: { colour: string }) {
  const { t } = useReading();
  if (colour === 'none') return null;
  const word = t(`rework.colour.${colour}`);
  return (
    <span className={`ribbon ribbon-${colour}`} title={t('rework.ribbon', { colour: word })}>
      {word}
    </span>
  );
}
