import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { VitePWA } from "vite-plugin-pwa";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      strategies: "injectManifest",
      srcDir: ".",
      filename: "sw.ts",
      injectRegister: false, // main.tsx does it, as the policy allows no script in the page
      manifest: {
        name: "Mud Pie",
        short_name: "Mud Pie",
        description: "For growers who make and apply biological inputs",
        start_url: "/",
        display: "standalone",
        background_color: "#f3ece0",
        theme_color: "#98411f",
        icons: [{ src: "/mark.svg", sizes: "any", type: "image/svg+xml" }],
      },
      injectManifest: { globPatterns: ["**/*.{js,css,html,svg,woff2}"], maximumFileSizeToCacheInBytes: 3_000_000 },
    }),
  ],
  build: { outDir: "../MudPie.Server/wwwroot", emptyOutDir: true, assetsInlineLimit: 0 },
  test: { environment: "jsdom", include: ["**/*.test.{ts,tsx}"] },
  server: { proxy: { "/api": "http://127.0.0.1:5180" } },
});
