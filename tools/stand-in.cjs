// Stands in for parts of libraries that nothing here shows (metro.config.js): every name of it with a capital is a component that draws no more
// than what is laid into it, every other a function that does nothing.
class StandIn {
  constructor(props) {
    this.props = props;
  }
  render() {
    return this.props.children ?? null;
  }
}
StandIn.prototype.isReactComponent = {};

const standIn = new Proxy(StandIn, {
  get(of, name) {
    if (name === '__esModule') return true;
    if (name === 'default') return of;
    if (name in of || typeof name === 'symbol' || name.startsWith('$')) return of[name];
    return /^[A-Z]/.test(name) ? of : () => standIn;
  },
});

module.exports = standIn;
