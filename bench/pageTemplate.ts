/** The page of core/render as a Handlebars template, byte for byte. */
export const PAGE_TEMPLATE = `<!doctype html>
<html lang="{{language}}" dir="ltr">
  <head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>{{title}}</title>
    <meta name="description" content="{{description}}">
    <link rel="canonical" href="{{{canonical}}}">
    <meta property="og:type" content="website">
    <meta property="og:title" content="{{sharedTitle}}">
    <meta property="og:description" content="{{description}}">
    <meta property="og:url" content="{{{canonical}}}">
    <meta property="og:site_name" content="{{site}}">
{{#if previous}}    <link rel="prev" href="{{{previous.href}}}">
{{/if}}{{#if next}}    <link rel="next" href="{{{next.href}}}">
{{/if}}    <link rel="stylesheet" href="{{{style}}}">
    <script src="{{{script}}}"></script>
  </head>
  <body>
    <a class="skip-link" href="#main">Skip to main content</a>
    <header class="site-header">
      <div class="brand">
        <a class="brand-home" href="{{{home}}}">
          <span class="brand-name">{{site}}</span>
        </a>
        <p class="tagline">{{tagline}}</p>
      </div>
      <nav class="menu menu-opening" aria-label="Main">
        <button type="button" class="menu-fold" aria-expanded="false" aria-controls="menu-1" hidden>Menu</button>
        <ul id="menu-1">
{{#each menu}}{{#if items}}          <li>
            <a href="{{{href}}}"{{#if here}} class="here" aria-current="page"{{/if}}{{#if nearest}} class="within" aria-current="true"{{/if}}{{#if within}} class="within"{{/if}}>{{label}}</a>
            <button type="button" class="menu-open" aria-expanded="false" aria-controls="menu-1-{{at}}" aria-label="More in {{label}}" hidden></button>
            <ul id="menu-1-{{at}}">
{{#each items}}              <li><a href="{{{href}}}"{{#if here}} class="here" aria-current="page"{{/if}}{{#if nearest}} class="within" aria-current="true"{{/if}}{{#if within}} class="within"{{/if}}>{{label}}</a></li>
{{/each}}            </ul>
          </li>
{{else}}          <li><a href="{{{href}}}"{{#if here}} class="here" aria-current="page"{{/if}}{{#if nearest}} class="within" aria-current="true"{{/if}}{{#if within}} class="within"{{/if}}>{{label}}</a></li>
{{/if}}{{/each}}        </ul>
      </nav>
    </header>
{{#if label}}    <div class="before">
      <nav class="breadcrumb" aria-label="Breadcrumb">
        <ol>
{{#each above}}          <li><a href="{{{href}}}">{{label}}</a></li>
{{/each}}          <li><span aria-current="page">{{label}}</span></li>
        </ol>
      </nav>
    </div>
{{/if}}    <main id="main">
      <h1>{{heading}}</h1>
      {{{body}}}
    </main>
    <div class="after">
      <nav class="pager" aria-label="Previous and next page">
{{#if previous}}        <a rel="prev" href="{{{previous.href}}}"><span class="pager-word">Previous</span> <span class="pager-page">{{previous.label}}</span></a>
{{/if}}{{#if next}}        <a rel="next" href="{{{next.href}}}"><span class="pager-word">Next</span> <span class="pager-page">{{next.label}}</span></a>
{{/if}}      </nav>
    </div>
    <footer class="site-footer">
      <p class="copyright">© {{year}} {{site}}</p>
    </footer>
  </body>
</html>
`
