// Of the field for a password, which few pages have.
import '@mantine/core/styles/ActionIcon.css';
import '@mantine/core/styles/PasswordInput.css';
