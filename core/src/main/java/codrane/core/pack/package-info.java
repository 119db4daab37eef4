/**
 * Vehicle packs: everything that differs between makers and models, as data from one YAML file per model. Read {@link
 * codrane.core.pack.Pack} first.
 */
package codrane.core.pack;
