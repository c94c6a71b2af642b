import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { Router } from 'express'
import compressed from 'express-static-gzip'

/** The built application: its files, and its one page for every address that is a screen. */
export function screenRoutes(folder: string): Router {
  const routes = Router()
  if (!existsSync(join(folder, 'index.html'))) return routes
  routes.use(
    // Files were compressed when they were built (web/vite.config.ts).
    compressed(folder, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      serveStatic: {
        setHeaders: (response, path) => {
          if (path.includes('/assets/'))
            response.setHeader('Cache-Control', 'public, max-age=31536000, immutable')
          // Hunspell is WebAssembly, which no other part of the screens runs. https://www.w3.org/TR/CSP3/#directive-script-src
          if (/\/spellWorker-[^/]*$/.test(path)) {
            const policy = String(response.getHeader('Content-Security-Policy') ?? '')
            const scripts = "script-src 'self' 'wasm-unsafe-eval'"
            response.setHeader('Content-Security-Policy', policy === '' ? scripts : `${policy};${scripts}`)
          }
          // The frame of a live page has an origin of its own and must still be able to load this.
          if (/\/livePage-[^/]*$/.test(path))
            response.setHeader('Cross-Origin-Resource-Policy', 'cross-origin')
        },
      },
    }),
  )
  routes.get('/{*path}', (request, response, next) => {
    if (!request.accepts('html')) return next()
    response.set('Cache-Control', 'no-cache').sendFile(join(folder, 'index.html'))
  })
  return routes
}
