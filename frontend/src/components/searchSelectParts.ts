import '@mantine/core/styles/Combobox.css';

export { Select } from '@mantine/core';
