export function RoutePage() { return null; }
