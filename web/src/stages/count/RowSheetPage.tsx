export function RowSheetPage() { return null; }
