/** Things that are described once: their parameters, with name, unit, range and standard value. */
package aperta.core.recipe;
