/** What a sound is in a component's test: an address at which nobody answers. */
module.exports = "/nothing";
