import type { PieceKind } from '@viatica/core/plan/surround/piece.ts'
import type { Component } from 'vue'
import AddressFields from './AddressFields.vue'
import BannerFields from './BannerFields.vue'
import BrandFields from './BrandFields.vue'
import BreadcrumbFields from './BreadcrumbFields.vue'
import ColumnsFields from './ColumnsFields.vue'
import ContactFields from './ContactFields.vue'
import CopyrightFields from './CopyrightFields.vue'
import HeadingFields from './HeadingFields.vue'
import HtmlFields from './HtmlFields.vue'
import LinksFields from './LinksFields.vue'
import MenuFields from './MenuFields.vue'
import PagerFields from './PagerFields.vue'
import TextFields from './TextFields.vue'

/** What is settled about each kind of piece, beside where it stands. Each takes the piece. */
export const PIECE_FIELDS: Readonly<Record<PieceKind, Component>> = {
  brand: BrandFields,
  menu: MenuFields,
  links: LinksFields,
  banner: BannerFields,
  breadcrumb: BreadcrumbFields,
  heading: HeadingFields,
  pager: PagerFields,
  columns: ColumnsFields,
  contact: ContactFields,
  address: AddressFields,
  copyright: CopyrightFields,
  text: TextFields,
  html: HtmlFields,
}
