import js from "@eslint/js";
import hooks from "eslint-plugin-react-hooks";
import ts from "typescript-eslint";

export default ts.config(
  { ignores: ["api/schema.d.ts", "node_modules"] },
  js.configs.recommended,
  ...ts.configs.strict,
  hooks.configs.flat.recommended,
  {
    files: ["**/*.ts", "**/*.tsx"],
    rules: { "max-len": ["error", { code: 140, ignoreStrings: true, ignoreTemplateLiterals: true }] },
  },
  { rules: { "@typescript-eslint/no-non-null-assertion": "off", "no-undef": "off" } },
);
