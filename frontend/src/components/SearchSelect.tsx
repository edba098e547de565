import type { SelectProps } from '@mantine/core';
import { type ComponentType, lazy, Suspense } from 'react';

import css from './SearchSelect.module.css';

const Select = lazy<ComponentType<SelectProps>>(async () => ({
  default: (await import('./searchSelectParts')).Select,
}));

/** A choice among many by typing a few letters; it comes when the rest of the page is there. */
export function SearchSelect(props: SelectProps) {
  return (
    <Suspense fallback={<div className={css.place} data-labelled={props.label !== undefined} />}>
      <Select
        searchable
        selectFirstOptionOnChange
        {...props}
        comboboxProps={{ withinPortal: false }}
      />
    </Suspense>
  );
}
