/** The simulated wallet. */
package yendrik.standins.keepsake;
