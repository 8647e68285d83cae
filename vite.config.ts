import { reactRouter } from "@react-router/dev/vite";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [reactRouter()],
  resolve: { alias: { "~": import.meta.dirname } },
  ssr: { noExternal: [/^@mui\//, /^@emotion\//, /^@base-ui\//] },
  // React Router reads the server entry under the old name only.
  // eslint-disable-next-line @typescript-eslint/no-deprecated
  environments: { ssr: { build: { rollupOptions: { input: "./server/app.ts" } } } },
  optimizeDeps: {
    entries: ["app/**/*.{ts,tsx}", "!app/**/*.server.*", "!app/workers/**"],
    exclude: ["highs"],
  },
  build: { assetsInlineLimit: 0 },
});
