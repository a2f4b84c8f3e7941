package yendrik.server.http;

/** What the server finds out by itself about a request: no part of what is sent. */
public interface Injected {}
