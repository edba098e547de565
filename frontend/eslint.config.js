import { readdirSync } from 'node:fs';

import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

// A folder with a page in it is a view; what two views need stands in a folder without one.
const FOLDERS = readdirSync(new URL('src', import.meta.url), { withFileTypes: true })
  .filter((each) => each.isDirectory())
  .map((each) => each.name);
const hasPage = (folder) =>
  readdirSync(new URL(`src/${folder}`, import.meta.url)).some((file) =>
    /(Page|SignIn)\.tsx$/.test(file),
  );
const VIEWS = FOLDERS.filter(hasPage);
const SHARED = FOLDERS.filter((folder) => !hasPage(folder));
// What a person reads stands in src/messages, not in code.
const WORD = '[A-Za-z]*[a-z]{2,}';
const TOLD = /^(label|title|words|placeholder|alt|description|summary|aria-label|says)$/;
const SPOKEN = { message: 'Words stand in the message files: src/messages/en.' };
const NO_WORDS_IN_CODE = [
  `JSXText[value=/${WORD}/]`,
  `JSXAttribute[name.name=${String(TOLD)}] > Literal[value=/${WORD}/]`,
  `Property[key.name=${String(TOLD)}] > Literal[value=/${WORD}/]`,
  `JSXElement > JSXExpressionContainer > ConditionalExpression > Literal[value=/^${WORD}( |$)/]`,
  `JSXElement > JSXExpressionContainer > TemplateLiteral > TemplateElement[value.raw=/${WORD} | ${WORD}/]`,
].map((selector) => ({ selector, ...SPOKEN }));
const noViews = (folder, views) => ({
  files: [`src/${folder}/**`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          { group: views.map((view) => `**/${view}/*`), message: 'Views never import views.' },
        ],
      },
    ],
  },
});

export default tseslint.config(
  {
    ignores: [
      'dist',
      'public',
      'messages',
      'src/api/schema.d.ts',
      'src/messages/compiled',
      'src/messages/split',
      '*.config.js',
      '*.config.ts',
    ],
  },
  ...tseslint.configs.strictTypeChecked,
  {
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
  },
  hooks.configs.flat.recommended,
  ...VIEWS.map((view) =>
    noViews(
      view,
      VIEWS.filter((other) => other !== view),
    ),
  ),
  ...SHARED.map((folder) => noViews(folder, VIEWS)),
  {
    rules: {
      'max-lines': ['error', { max: 200, skipBlankLines: true }],
      'max-lines-per-function': ['error', { max: 102, skipBlankLines: true }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
    },
  },
  {
    files: ['src/**/*.tsx', 'src/**/*.ts'],
    rules: { 'no-restricted-syntax': ['error', ...NO_WORDS_IN_CODE] },
  },
  {
    files: ['src/**/*.test.ts', 'src/**/*.test.tsx'],
    rules: { 'max-lines': 'off', 'no-restricted-syntax': 'off' },
  },
);
