/** Stamps every style element made at run time with the page's nonce, so that the content policy lets it through. */
const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? ''
const create = document.createElement.bind(document)

document.createElement = ((name: string, options?: ElementCreationOptions) => {
  const element = create(name, options)
  if (name.toLowerCase() === 'style') element.setAttribute('nonce', nonce)
  return element
}) as typeof document.createElement

export {}
