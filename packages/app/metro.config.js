const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const resolve = config.resolver.resolveRequest;

/** Zod carries every language; one is enough here. */
config.resolver.resolveRequest = (context, name, platform) => {
  const next = resolve ?? context.resolveRequest;
  if (
    name.endsWith('locales/index.js') &&
    context.originModulePath.includes(`${path.sep}zod${path.sep}`)
  )
    return next(context, path.join(__dirname, 'src/words/zod-locales.js'), platform);
  return next(context, name, platform);
};

/** In development the page and its server share an address: what is not the page's goes on to the server. */
if (process.env.HOLVEK_API) {
  const { createProxyMiddleware } = require('http-proxy-middleware');
  const toServer = createProxyMiddleware({
    target: process.env.HOLVEK_API,
    pathFilter: '/api',
    ws: true,
  });
  config.server = {
    ...config.server,
    enhanceMiddleware: (metro) => (request, response, next) =>
      toServer(request, response, () => metro(request, response, next)),
  };
}

module.exports = config;
