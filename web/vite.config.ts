import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** What only the coaching side opens, or is loaded when it is needed. */
const notOnThePhone = [
  'DeskPage',
  'CritiqueEditorPage',
  'TransitionFlow',
  'keepWorker',
  'LadderPage',
  'TakePage',
  'BookPage',
  'RuleSheetsPage',
  'GiveWorkPage',
  'ClientWorkPage',
  'WeekPage',
  'ComparePage',
];

/**
 * The page without a network. Its worker is registered by whoever keeps something on their phone (features/kept), and by nobody else. What
 * the server answers is never kept by it: a critique is as it is now, or not there.
 */
const withoutNetwork = VitePWA({
  injectRegister: null,
  registerType: 'autoUpdate',
  manifest: {
    name: 'Lean Mentor',
    short_name: 'Lean Mentor',
    start_url: '/',
    display: 'standalone',
    background_color: '#F5F1E6',
    theme_color: '#F5F1E6',
    icons: [{ src: '/ribbon.svg', sizes: 'any', type: 'image/svg+xml' }],
  },
  workbox: {
    globPatterns: ['index.html', 'ribbon.svg', 'assets/*.{js,css}', 'assets/*-latin-*.woff2'],
    globIgnores: notOnThePhone.map((name) => `assets/${name}-*`),
    directoryIndex: null,
    navigateFallback: null,
    clientsClaim: true,
    skipWaiting: true,
    inlineWorkboxRuntime: true,
    runtimeCaching: [
      {
        // The newest page where there is a network; the one that came last where there is none.
        urlPattern: ({ request }) => request.mode === 'navigate',
        handler: 'NetworkOnly',
        options: { precacheFallback: { fallbackURL: 'index.html' } },
      },
    ],
  },
});

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), tailwindcss(), withoutNetwork],
  build: { target: 'es2023', assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
});
