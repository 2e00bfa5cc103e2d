// Babel, for tests under Node: `import.meta.url` becomes the file's own address, as in a module.
module.exports = ({ template }) => ({
  visitor: {
    MemberExpression(path) {
      const { object, property } = path.node;
      if (object.type === 'MetaProperty' && property.name === 'url')
        path.replaceWith(template.expression.ast`require('url').pathToFileURL(__filename).href`);
    },
  },
});
