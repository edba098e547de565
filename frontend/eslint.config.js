import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['dist', 'public', 'src/api/schema.d.ts', '*.config.js', '*.config.ts'] },
  ...tseslint.configs.strictTypeChecked,
  {
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
  },
  hooks.configs.flat.recommended,
  {
    rules: {
      'max-lines': ['error', { max: 500, skipBlankLines: true }],
      'max-lines-per-function': ['error', { max: 120, skipBlankLines: true }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
    },
  },
);
