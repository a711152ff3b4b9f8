declare module 'sequelize/lib/dialects/mariadb/query' {
  export const Query: { prototype: { formatResults: (this: unknown, data: unknown) => unknown } };
}
