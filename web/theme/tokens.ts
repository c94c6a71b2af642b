import type { ThemeConfig } from 'ant-design-vue/es/config-provider/context'

/** The colours of the signs; see docs/architecture.md. Ochre says "you are here" and nothing else. */
export const COLOURS = {
  paper: '#F6F3EA',
  card: '#FFFDF7',
  ink: '#1D2B2A',
  pine: '#1F5A4C',
  ochre: '#C98A12',
  brick: '#A63D2B',
  slate: '#5B6B6A',
  rule: '#D9D3C1',
} as const

/** Ant Design Vue in the look of Viatica. */
export const THEME: ThemeConfig = {
  token: {
    colorPrimary: COLOURS.pine,
    // Progress bars are drawn in this one.
    colorInfo: COLOURS.pine,
    colorError: COLOURS.brick,
    colorLink: COLOURS.pine,
    colorText: COLOURS.ink,
    colorTextSecondary: COLOURS.slate,
    colorTextPlaceholder: '#6B7A79',
    colorBorder: '#BDB79F',
    colorBgContainer: '#FFFFFF',
    colorBgElevated: COLOURS.card,
    colorBgLayout: COLOURS.paper,
    borderRadius: 3,
    borderRadiusLG: 3,
    borderRadiusSM: 3,
    controlHeight: 30,
    fontFamily: 'Barlow, system-ui, sans-serif',
    fontSize: 14,
    boxShadow: 'none',
    boxShadowSecondary: '0 2px 10px rgb(29 43 42 / 18%)',
    controlOutlineWidth: 0,
  },
}
