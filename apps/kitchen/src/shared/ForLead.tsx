import type { ReactNode } from 'react';
import { useAccess } from '../api/phoneQueries';
import { Notice } from '../ui/layout/Notice';
import { Screen } from '../ui/layout/Screen';
import { Label } from '../ui/type';

/** Whether this is a cook's phone: what only a lead may do would be filled in whole there, and then refused. */
export const useIsCook = (): boolean => useAccess().data?.role === 'cook';

interface ForLeadProps {
  children: ReactNode;
  /** What a cook reads in its place; nothing where the page says enough without it. */
  instead?: string;
}

/** What only a lead may do is not offered to a cook. */
export function ForLead({ children, instead }: ForLeadProps) {
  if (!useIsCook()) return children;
  return instead ? <Label>{instead}</Label> : null;
}

/** A whole page that is for leads: a cook who comes by its address is told so before anything is typed. */
export function LeadsPage({ title, children }: { title: string; children: ReactNode }) {
  if (!useIsCook()) return children;
  return (
    <Screen title={title}>
      <Notice
        title="For a lead"
        text="Only a lead changes this: ask one, or have this phone made a lead’s."
      />
    </Screen>
  );
}
