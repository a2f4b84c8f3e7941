/** A simulated host of films elsewhere. */
package yendrik.standins.films;
