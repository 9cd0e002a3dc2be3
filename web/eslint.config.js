import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

export default ts.config(
  { ignores: ['dist', 'node_modules', 'src/api/schema.ts'] },
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: ts.parser } },
  },
  prettier,
  // Drawn from our own numbers, no text of anybody's.
  { files: ['src/parts/Palm.vue'], rules: { 'vue/no-v-html': 'off' } },
  { rules: { 'vue/multi-word-component-names': 'off', 'vue/require-default-prop': 'off' } },
)
