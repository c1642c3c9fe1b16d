'use client';

import { isOpenStatus, type FindingKind } from '@holotonos/core';
import { v4 as newId } from 'uuid';
import { useJob } from '@/job/JobContext';
import { Button } from '@/ui/bootstrap';

/** Writes down that a place is suspected, so that the plan takes it up; or says that it is among the findings already. */
export function SuspectButton({
  kind,
  part,
  note,
  evidence = [],
}: {
  kind: FindingKind;
  part: string;
  note: string;
  evidence?: string[];
}) {
  const { state, names, write } = useJob();
  const known = [...state.findings.values()].some(
    (finding) => finding.part === part && finding.kind === kind && isOpenStatus(finding.status),
  );
  if (known) return <span className="soft">is among the findings</span>;
  return (
    <Button
      variant="quiet"
      aria-label={`Suspect it: ${names.get(part) ?? part}`}
      onClick={() =>
        write('finding', { finding: newId(), kind, part, severity: 2, status: 'suspected', note, evidence })
      }
    >
      Suspect it
    </Button>
  );
}
