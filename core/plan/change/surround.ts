import { type FileKind, fileTypeOf } from '../file.ts'
import { modelOf, type Piece } from '../surround/piece.ts'
import type { Place } from '../surround/place.ts'
import type { HeadFile, HeadFiles } from '../surround/rules.ts'
import {
  menuOf,
  piecesOf,
  ruleOf,
  standingOf,
  type Surround,
  surroundFault,
  withPieces,
  withRule,
} from '../surround/surround.ts'
import type { Site } from '../site.ts'
import type {
  AddMenu,
  AddPiece,
  MovePiece,
  RemoveMenu,
  SetMenu,
  SetPiece,
  SetMaking,
  SetSurround,
  SurroundChange,
} from './surroundChange.ts'
import { valueAt } from '../../standard/record.ts'
import { ChangeRefused } from './refused.ts'

interface Resurrounded {
  readonly surround: Surround
  readonly inverse: SurroundChange
}

function checked(surround: Surround): Surround {
  const fault = surroundFault(surround)
  if (fault) throw new ChangeRefused(fault)
  return surround
}

function checkFiles(site: Site, piece: Piece): void {
  if (
    modelOf(piece.kind)
      .files(piece)
      .some((file) => !site.files.has(file))
  )
    throw new ChangeRefused('The picture is no longer among the files of the site.')
}

function standing(site: Site, id: string) {
  const found = standingOf(site.surround, id)
  if (!found) throw new ChangeRefused('This piece is no longer in the surround.')
  return found
}

const piecesAt = (surround: Surround, place: Place): readonly Piece[] => piecesOf(surround).places[place]

const withPlace = (surround: Surround, place: Place, pieces: Piece[]): Surround =>
  withPieces(surround, { places: { ...piecesOf(surround).places, [place]: pieces } })

function addPiece(site: Site, { place, at, piece }: AddPiece): Resurrounded {
  checkFiles(site, piece)
  if (standingOf(site.surround, piece.id))
    throw new ChangeRefused(`The surround already has a piece with the id ${piece.id}.`)
  const pieces = piecesAt(site.surround, place).toSpliced(at, 0, piece)
  return {
    surround: checked(withPlace(site.surround, place, pieces)),
    inverse: { kind: 'removePiece', piece: piece.id },
  }
}

function removePiece({ surround }: Site, found: ReturnType<typeof standing>): Resurrounded {
  const { piece, place, at } = found
  return {
    surround: withPlace(surround, place, piecesAt(surround, place).toSpliced(at, 1)),
    inverse: { kind: 'addPiece', place, at, piece },
  }
}

function movePiece(site: Site, { piece: id, place, at, beside }: MovePiece): Resurrounded {
  const found = standing(site, id)
  const without = removePiece(site, found).surround
  const moved = { ...found.piece, beside }
  return {
    surround: withPlace(without, place, piecesAt(without, place).toSpliced(at, 0, moved)),
    inverse: { kind: 'movePiece', piece: id, place: found.place, at: found.at, beside: found.piece.beside },
  }
}

function setPiece(site: Site, { piece }: SetPiece): Resurrounded {
  const { place, at, piece: before } = standing(site, piece.id)
  if (before.kind !== piece.kind)
    throw new ChangeRefused(`This piece is of the kind ${before.kind}, not ${piece.kind}.`)
  checkFiles(site, piece)
  return {
    surround: withPlace(site.surround, place, piecesAt(site.surround, place).with(at, piece)),
    inverse: { kind: 'setPiece', piece: before },
  }
}

function addMenu(site: Site, { at, menu }: AddMenu): Resurrounded {
  if (menuOf(site.surround, menu.id))
    throw new ChangeRefused(`The site already has a menu with the id ${menu.id}.`)
  const menus = site.surround.menus.toSpliced(at, 0, menu)
  return {
    surround: checked({ ...site.surround, menus }),
    inverse: { kind: 'removeMenu', menu: menu.id },
  }
}

function menuAt(site: Site, id: string): number {
  const at = site.surround.menus.findIndex((menu) => menu.id === id)
  if (at < 0) throw new ChangeRefused('This menu is no longer on the site.')
  return at
}

function removeMenu(site: Site, { menu: id }: RemoveMenu): Resurrounded {
  const at = menuAt(site, id)
  const menus = site.surround.menus
  return {
    surround: { ...site.surround, menus: menus.toSpliced(at, 1) },
    inverse: { kind: 'addMenu', at, menu: menus[at]! },
  }
}

function setMenu(site: Site, { menu }: SetMenu): Resurrounded {
  const at = menuAt(site, menu.id)
  const menus = site.surround.menus
  return {
    surround: { ...site.surround, menus: menus.with(at, menu) },
    inverse: { kind: 'setMenu', menu: menus[at]! },
  }
}

function checkHeadFiles({ files }: Site, { styles, scripts }: HeadFiles): void {
  const check = (list: readonly HeadFile[], kind: FileKind) => {
    for (const one of list) {
      if (one.from === 'elsewhere') continue
      const file = files.get(one.file)
      if (!file) throw new ChangeRefused('This file is no longer among the files of the site.')
      if (fileTypeOf(file.path)?.kind !== kind) throw new ChangeRefused(`${file.path} is not a ${kind}.`)
    }
  }
  check(styles, 'style')
  check(scripts, 'script')
}

function setRule(site: Site, change: SetSurround): Resurrounded {
  if (change.field === 'headFiles') checkHeadFiles(site, change.value)
  const { surround } = site
  const value = ruleOf(surround, change.field)
  return {
    surround: withRule(surround, change),
    inverse: { kind: change.kind, field: change.field, value } as SetSurround,
  }
}

function setMaking(site: Site, { page, making }: SetMaking): Resurrounded {
  const { surround, plan } = site
  if (surround.kind !== 'templates') throw new ChangeRefused('The site no longer has templates.')
  const { templates } = surround
  if (!plan.entries.has(page)) throw new ChangeRefused('This page is no longer in the plan.')
  const before = valueAt(templates.pages, page)
  const { [page]: _, ...others } = templates.pages
  const pages = making ? { ...templates.pages, [page]: making } : others
  return {
    surround: { ...surround, templates: { ...templates, pages } },
    inverse: { kind: 'setMaking', page, making: before ?? null },
  }
}

/** Makes a change of the surround. @throws ChangeRefused when it cannot hold beside what the site has. */
export function changeSurround(site: Site, change: SurroundChange): Resurrounded {
  switch (change.kind) {
    case 'addPiece':
      return addPiece(site, change)
    case 'removePiece':
      return removePiece(site, standing(site, change.piece))
    case 'movePiece':
      return movePiece(site, change)
    case 'setPiece':
      return setPiece(site, change)
    case 'addMenu':
      return addMenu(site, change)
    case 'removeMenu':
      return removeMenu(site, change)
    case 'setMenu':
      return setMenu(site, change)
    case 'setSurround':
      return setRule(site, change)
    case 'setMaking':
      return setMaking(site, change)
  }
}
