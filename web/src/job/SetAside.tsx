'use client';

import { entryWords, misfits, receivedSoon } from '@holotonos/core';
import { AsideList } from '@/outbox/AsideList';
import { useJob } from './JobContext';
import { jobForms } from './jobForms';

/** Entries of this job that the server will not take as they are. */
export function SetAside() {
  const { aside, names, state, sendAgain, letGo } = useJob();
  return (
    <AsideList
      aside={aside}
      words={(entry) =>
        receivedSoon([entry], 0)
          .map((each) => entryWords(each, names, state.unit))
          .join('')
      }
      wrongWith={async (changed) => {
        const form = (await jobForms())?.entryProblems(changed) ?? [];
        return form.length > 0 ? form : misfits(state, changed);
      }}
      sendAgain={sendAgain}
      letGo={letGo}
    />
  );
}
