/** Recipes for arrivals and departures. */
package aperta.core.opening;
