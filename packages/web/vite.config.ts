import { defineConfig, defaultClientConditions } from 'vite';
import react from '@vitejs/plugin-react';
import tailwindcss from '@tailwindcss/vite';
const grp = (name: string, re: RegExp, priority = 10) => ({ name, test: re, priority });
export default defineConfig({
  plugins: [react(), tailwindcss()],
  resolve: { conditions: ['source', ...defaultClientConditions] },
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    sourcemap: false,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 650,
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            grp('react', /node_modules[\\/](react|react-dom|scheduler)[\\/]/),
            grp('router', /node_modules[\\/]react-router/),
            grp('redux', /node_modules[\\/](@reduxjs|react-redux|immer|reselect|redux|redux-thunk)[\\/]/),
            grp('zod', /node_modules[\\/]zod[\\/]/),
            grp('radix', /node_modules[\\/](@radix-ui|radix-ui|@floating-ui|aria-hidden|react-remove-scroll)/),
            grp('echarts', /node_modules[\\/](echarts|zrender)[\\/]/),
            grp('dnd', /node_modules[\\/]@dnd-kit[\\/]/),
          ],
        },
      },
    },
  },
  server: {
    host: '127.0.0.1',
    port: 5173,
    strictPort: true,
    proxy: { '/api': { target: `http://127.0.0.1:${process.env.API_PORT ?? 3000}` } },
  },
});
