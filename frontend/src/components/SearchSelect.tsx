import type { SelectProps } from '@mantine/core';

import { late } from './late';
import css from './SearchSelect.module.css';

const Select = late<SelectProps>(
  async () => (await import('./searchSelectParts')).Select,
  ({ label }) => <div className={css.place} data-labelled={label !== undefined} />,
);

/** A choice among many by typing a few letters; it comes when the rest of the page is there. */
export function SearchSelect(props: SelectProps) {
  return (
    <Select
      searchable
      selectFirstOptionOnChange
      {...props}
      comboboxProps={{ withinPortal: false }}
    />
  );
}
