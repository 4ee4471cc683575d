export function ScanPage() { return null; }
