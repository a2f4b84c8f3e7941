/** ToWallets badges to the wallets of their holders. */
@org.jspecify.annotations.NullMarked
package yendrik.server.wallet;
