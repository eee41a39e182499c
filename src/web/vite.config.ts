import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { outDir: "../MudPie.Server/wwwroot", emptyOutDir: true, assetsInlineLimit: 0 },
  test: { environment: "jsdom", include: ["**/*.test.{ts,tsx}"] },
  server: { proxy: { "/api": "http://127.0.0.1:5180" } },
});
