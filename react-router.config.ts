import type { Config } from "@react-router/dev/config";

export default {
  ssr: true,
  // Few routes: asking for them as links appear costs more than to know them at once.
  routeDiscovery: { mode: "initial" },
  future: { v8_middleware: true, v8_splitRouteModules: true, v8_viteEnvironmentApi: true },
} satisfies Config;
