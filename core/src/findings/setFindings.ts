import type { FindingState } from './finding.kind';

/** Work answers findings: those named are now what it made of them. */
export function setFindings(
  { findings }: { findings: Map<string, FindingState> },
  ids: readonly string[],
  status: 'cured' | 'stop-gap',
  entry: string,
  reason: string,
): void {
  for (const id of ids) {
    const finding = findings.get(id);
    if (finding) findings.set(id, { ...finding, status, reason, history: [...finding.history, entry] });
  }
}
