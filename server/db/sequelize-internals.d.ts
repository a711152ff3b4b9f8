declare module 'sequelize/lib/dialects/mariadb/query' {
  const Query: { prototype: { formatResults: (this: unknown, data: unknown) => unknown } };
  export default Query;
}
