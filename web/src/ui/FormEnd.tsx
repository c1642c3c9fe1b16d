'use client';

import { Button } from '@/ui/bootstrap';
import { Problem } from '@/ui/fields';

/** The end of a form of the shop: write it down or go back, and what was wrong with it. */
export function FormEnd({
  action,
  disabled,
  onBack,
  problem,
}: {
  action: string;
  disabled: boolean;
  onBack: () => void;
  problem: string | null;
}) {
  return (
    <>
      <div className="d-flex gap-2 align-self-end">
        <Button type="submit" disabled={disabled}>
          {action}
        </Button>
        <Button variant="quiet" onClick={onBack}>
          Back
        </Button>
      </div>
      <Problem problem={problem} />
    </>
  );
}
