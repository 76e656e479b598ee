# The server with all it needs, and nothing to build with. The data folder is a volume:
#   docker build -t clever-shelf . && docker run -p 4820:4820 -v shelf:/data clever-shelf
FROM node:20-bookworm-slim AS build
WORKDIR /app
RUN apt-get update \
  && apt-get install -y --no-install-recommends g++ make python3 \
  && rm -rf /var/lib/apt/lists/*
COPY package.json package-lock.json ./
RUN npm ci --ignore-scripts --no-audit --no-fund && npm rebuild better-sqlite3
COPY . .
RUN npm run build && npm prune --omit=dev --ignore-scripts

FROM node:20-bookworm-slim
ENV NODE_ENV=production
WORKDIR /app
COPY --from=build /app/package.json ./
COPY --from=build /app/node_modules ./node_modules
COPY --from=build /app/dist ./dist
RUN install -d -o node -g node /data
USER node
VOLUME /data
EXPOSE 4820
HEALTHCHECK --interval=10s --timeout=3s --start-period=60s \
  CMD ["node", "-e", "fetch('http://127.0.0.1:4820/api/ready').then((answer) => process.exit(answer.ok ? 0 : 1), () => process.exit(1))"]
# Its names are said where it is run: --bench-origin and --public-origin, or CLEVER_SHELF_BENCH_ORIGIN and CLEVER_SHELF_PUBLIC_ORIGIN.
ENTRYPOINT ["node", "--enable-source-maps", "dist/server/start.js", "--data", "/data", "--host", "0.0.0.0"]
