import { readFileSync } from 'node:fs';
import pluginVue from 'eslint-plugin-vue';
import tseslint from 'typescript-eslint';

/** Who may import whom: the rooms of the house. */
const ROOMS = {
  core: [],
  contract: ['core'],
  server: ['contract', 'core'],
  web: ['contract', 'core'],
  demo: ['server', 'contract', 'core'],
};
const ALL = [...Object.keys(ROOMS), 'bin', 'tests', 'bench'];
const OUTSIDE_CORE = [
  'vue',
  'vuetify',
  'pinia',
  'vue-router',
  'express',
  'sequelize',
  'sqlite3',
  'fs',
  'node:*',
  'http',
  'https',
  'net',
  'sharp',
];

const rooms = Object.entries(ROOMS).map(([room, allowed]) => ({
  files: [`${room}/**/*.{ts,vue}`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            regex: `\\.\\./(${ALL.filter((it) => it !== room && !allowed.includes(it)).join('|')})/`,
            message: `${room}/ may import ${allowed.join(', ') || 'nothing'} only.`,
          },
          ...(room === 'core'
            ? [{ group: OUTSIDE_CORE, message: 'The core computes and knows no interface, server, file or network.' }]
            : []),
        ],
      },
    ],
  },
}));

/** Words that the glossary sets aside, each with the one that is meant. */
const banned = [
  ...readFileSync('docs/glossary.md', 'utf8')
    .split('## Not used')[1]
    .matchAll(/^\| (\w+) \| (.+) \|$/gm),
]
  .filter(([, word]) => word !== 'not')
  .map(([, word, instead]) => ({
    selector: `:matches(TSInterfaceDeclaration, TSTypeAliasDeclaration, ClassDeclaration, FunctionDeclaration, VariableDeclarator) > Identifier.id[name='${word}']`,
    message: `docs/glossary.md: ${instead}.`,
  }));

/** Words, drawings and procedures: data, as long as it is. */
const DATA = [
  'core/language/text.ts',
  '**/en/*.ts',
  '**/en.ts',
  'core/catalogue/parts.ts',
  'core/catalogue/procedures/*.ts',
];
const lengths = { files: ['core/**/*.ts'], ignores: DATA, rules: { 'max-lines': ['error', 400] } };

const core = {
  files: ['core/**/*.ts'],
  rules: {
    'no-restricted-properties': [
      'error',
      { object: 'Math', property: 'random', message: 'Chance is injected.' },
      { object: 'Date', property: 'now', message: 'The clock is injected.' },
    ],
  },
};

export default tseslint.config(
  { ignores: ['dist/', '.stryker-tmp/', 'node_modules/', 'data/', 'coverage/'] },
  ...tseslint.configs.recommended,
  ...pluginVue.configs['flat/essential'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: tseslint.parser } } },
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      // Each file of text adds its keys to what the web can say, by an interface that has no members of its own.
      '@typescript-eslint/no-empty-object-type': ['error', { allowInterfaces: 'with-single-extends' }],
      '@typescript-eslint/no-unused-expressions': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }],
      'vue/multi-word-component-names': 'off',
      'vue/no-mutating-props': 'off',
      'no-nested-ternary': 'error',
      complexity: ['error', { max: 20, variant: 'modified' }],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ImportDeclaration[source.value=/\\/(utils|helpers|common|misc)(\\/|\\.|$)/]',
          message: 'A thing used twice gets a name.',
        },
        ...banned,
      ],
    },
  },
  {
    files: ['{core,contract,server,web,demo,bin,bench,tests}/**/*.ts'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: { '@typescript-eslint/no-floating-promises': 'error' },
  },
  // A test's walker knows nothing of how the code parts its work, so it has the whole of it in one place.
  { files: ['tests/**/*.ts'], rules: { complexity: 'off' } },
  ...rooms,
  core,
  lengths,
);
