import './fileLinks.css';

/** A table to take along, as CSV and as a workbook. */
export function FileLinks({ path }: { path: string }) {
  return (
    <span className="file-links">
      {(['csv', 'xlsx'] as const).map((format) => (
        <a key={format} href={`${path}&format=${format}`} download>
          {format.toUpperCase()}
        </a>
      ))}
    </span>
  );
}
