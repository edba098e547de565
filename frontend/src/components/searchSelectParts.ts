import '@mantine/core/styles/CloseButton.css';
import '@mantine/core/styles/Combobox.css';

export { Select } from '@mantine/core';
