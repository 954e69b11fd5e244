// Stands in for an icon or a worker in unit tests: a component that draws nothing.
module.exports = { render: () => null };
