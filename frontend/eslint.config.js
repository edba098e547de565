import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

// Each is a page of its own; what two of them need stands in a folder that is none.
const VIEWS = [
  'class',
  'desk',
  'home',
  'lesson',
  'letters',
  'library',
  'player',
  'sheet',
  'signin',
  'today',
];
const SHARED = [
  'api',
  'audio',
  'components',
  'drawings',
  'exercise',
  'outbox',
  'pictures',
  'sound',
  'words',
];
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
  { ignores: ['dist', 'public', 'src/api/schema.d.ts', '*.config.js', '*.config.ts'] },
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
      'max-lines': ['error', { max: 500, skipBlankLines: true }],
      'max-lines-per-function': ['error', { max: 120, skipBlankLines: true }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
    },
  },
);
