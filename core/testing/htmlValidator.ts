import { HtmlValidate, StaticConfigLoader } from 'html-validate'

/** Works its configuration out once: for small pages that takes longer than checking them. */
class OneConfig extends StaticConfigLoader {
  #resolved: ReturnType<StaticConfigLoader['getConfigFor']> | undefined

  override getConfigFor(page: string): ReturnType<StaticConfigLoader['getConfigFor']> {
    return (this.#resolved ??= super.getConfigFor(page))
  }
}

/** Against the HTML standard (WHATWG), and common rules of access. */
const rules = new OneConfig({
  extends: [
    'html-validate:standard',
    'html-validate:a11y',
    'html-validate:document',
    'html-validate:recommended',
  ],
  rules: {
    // The standard takes either case; pages are written in lower case throughout.
    'doctype-style': ['error', { style: 'lowercase' }],
    // How long a title is, is the author's to say: a matter of search engines, not of the standard.
    'long-title': 'off',
    // Whether what comes from other hosts is held to a digest is the author's to say: no part of the standard.
    'require-sri': 'off',
    // What is the same in two places has one name (WCAG 2.2, 3.2.4), this rule would have two; the tests of the surround
    // look at the names of different ones.
    'unique-landmark': 'off',
  },
})

const validator = new HtmlValidate(rules)

/** What the validator finds on a page, a line each. */
export async function htmlFaults(html: string): Promise<string[]> {
  const report = await validator.validateString(html)
  return report.results.flatMap((result) =>
    result.messages.map(({ ruleId, message, line }) => `${line}: ${ruleId}: ${message}`),
  )
}
