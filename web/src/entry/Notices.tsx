import type { Notice } from '../api/client';
import { useReading } from '../words/useReading';
import './notices.css';

/** Warnings of the core: what, why, what to do. They stand beside the numbers and never block. */
export function Notices({ notices }: { notices: Notice[] }) {
  const { say } = useReading();
  if (notices.length === 0) return null;
  return (
    <ul className="notices">
      {notices.map((notice) => (
        <li key={notice.code}>{say(notice)}</li>
      ))}
    </ul>
  );
}
