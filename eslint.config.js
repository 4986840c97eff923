import js from '@eslint/js';
import globals from 'globals';

export default [
    js.configs.recommended,
    {
        files: ['resources/js/**/*.js'],
        languageOptions: { globals: globals.browser },
    },
    {
        files: ['public/sw.js'],
        languageOptions: { globals: globals.serviceworker },
    },
    {
        files: ['tests/Browser/**/*.js', 'tests/FirstDay/*.js', 'tests/*.mjs', 'bench/**/*.mjs', '*.config.js'],
        languageOptions: { globals: { ...globals.node, ...globals.browser } },
    },
    {
        rules: {
            eqeqeq: 'error',
            'no-var': 'error',
            'prefer-const': ['error', { destructuring: 'all' }],
            'no-implicit-globals': 'error',
            'no-unused-vars': [
                'error',
                { ignoreRestSiblings: true, argsIgnorePattern: '^_', varsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' },
            ],
            'max-len': ['error', { code: 140, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreUrls: true }],
        },
    },
];
