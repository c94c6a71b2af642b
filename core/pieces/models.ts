import { address } from './address/model.ts'
import { banner } from './banner/model.ts'
import { brand } from './brand/model.ts'
import { breadcrumb } from './breadcrumb/model.ts'
import { columns } from './columns/model.ts'
import { contact } from './contact/model.ts'
import { copyright } from './copyright/model.ts'
import { heading } from './heading/model.ts'
import { html } from './html/model.ts'
import { links } from './links/model.ts'
import { menu } from './menu/model.ts'
import { pager } from './pager/model.ts'
import { text } from './text/model.ts'

/** All kinds of pieces, in the order in which authors choose from them. */
export const PIECE_MODELS = [
  brand,
  menu,
  links,
  banner,
  breadcrumb,
  heading,
  pager,
  columns,
  contact,
  address,
  copyright,
  text,
  html,
] as const
