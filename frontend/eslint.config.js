import boundaries from "eslint-plugin-boundaries";
import vue from "eslint-plugin-vue";
import tseslint from "typescript-eslint";

const rooms = ["api", "composables", "marks", "ui", "stages", "shop"];
const may = (from, to) => ({ from: { element: { type: from } }, allow: { to: { element: { type: to } } } });

export default tseslint.config(
  { ignores: ["src/api/schema.d.ts", "node_modules", "dist"] },
  ...tseslint.configs.strict,
  ...vue.configs["flat/recommended"],
  {
    files: ["**/*.vue"],
    languageOptions: { parserOptions: { parser: tseslint.parser } },
  },
  {
    files: ["src/**/*.{ts,vue}"],
    plugins: { boundaries },
    settings: {
      "boundaries/elements": rooms.map((type) => ({ type, pattern: `src/${type}` })),
      "import/resolver": { node: { extensions: [".ts", ".d.ts", ".vue"] } },
    },
    rules: {
      "@typescript-eslint/no-explicit-any": "error",
      "boundaries/dependencies": [
        "error",
        {
          default: "disallow",
          policies: [
            may("api", ["api"]),
            may("composables", ["api", "composables"]),
            may("marks", ["api", "composables", "marks"]),
            may("ui", ["api", "composables", "ui", "marks"]),
            may("stages", rooms),
            may("shop", rooms),
          ],
        },
      ],
    },
  },
  {
    files: ["src/**/*.{ts,vue}"],
    ignores: ["src/composables/keepAnswer.ts"],
    rules: {
      "no-restricted-properties": [
        "error",
        { property: "setQueryData", message: "keepAnswer: an older look may be on its way." },
      ],
    },
  },
  {
    rules: {
      "vue/max-attributes-per-line": "off",
      "vue/singleline-html-element-content-newline": "off",
      "vue/html-self-closing": "off",
      "vue/html-indent": "off",
      "vue/html-closing-bracket-newline": "off",
      "vue/multiline-html-element-content-newline": "off",
      "vue/attributes-order": "off",
    },
  },
);
