import js from "@eslint/js";
import globals from "globals";

export default [
  { ignores: ["**/built/**", "artifacts/**", "node_modules/**"] },
  js.configs.recommended,
  {
    files: ["src/Umbick.Web/wwwroot/**/*.js"],
    languageOptions: {
      sourceType: "script",
      globals: {
        ...globals.browser,
        ...globals.serviceworker,
        htmx: "readonly",
        AnswerQueue: "readonly",
        Sending: "readonly",
        Entered: "readonly",
        Notices: "readonly",
      },
    },
    rules: {
      eqeqeq: "error",
      "no-var": "error",
      "prefer-const": "error",
      "no-implied-eval": "error",
      "no-eval": "error",
      "no-shadow": "error",
    },
  },
  { files: ["bench/**/*.mjs", "launcher/**/*.mjs", "tests/**/*.mjs", "*.mjs"], languageOptions: { globals: globals.node } },
];
