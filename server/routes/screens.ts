import { existsSync } from 'node:fs'
import { join } from 'node:path'
import express, { Router } from 'express'

/** The built application: its files, and its one page for every address that is a screen. */
export function screenRoutes(folder: string): Router {
  const routes = Router()
  if (!existsSync(join(folder, 'index.html'))) return routes
  routes.use(
    express.static(folder, {
      index: false,
      setHeaders: (response, path) => {
        if (path.includes('/assets/'))
          response.setHeader('Cache-Control', 'public, max-age=31536000, immutable')
        // The frame of a live page has an origin of its own and must still be able to load this.
        if (path.endsWith('/live-page.js')) response.setHeader('Cross-Origin-Resource-Policy', 'cross-origin')
      },
    }),
  )
  routes.get('/{*path}', (request, response, next) => {
    if (!request.accepts('html')) return next()
    response.set('Cache-Control', 'no-cache').sendFile(join(folder, 'index.html'))
  })
  return routes
}
