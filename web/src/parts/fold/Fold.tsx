import ExpandIcon from '@mui/icons-material/ExpandMore';
import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import type { ReactNode } from 'react';

type Props = Readonly<{
  title: ReactNode;
  open?: boolean;
  className?: string;
  /** What is under it is only made while it is open: where there are many of them. */
  lazy?: boolean;
  children: ReactNode;
}>;

/** What is there for those who want it, under a line that says what it is. */
export function Fold({ title, open = false, className, lazy = false, children }: Props) {
  return (
    <Accordion
      defaultExpanded={open}
      slotProps={{ heading: { component: 'div' }, region: { role: 'group' }, transition: { unmountOnExit: lazy } }}
      {...(className && { className })}
    >
      <AccordionSummary expandIcon={<ExpandIcon />}>{title}</AccordionSummary>
      <AccordionDetails>{children}</AccordionDetails>
    </Accordion>
  );
}
