package yendrik.core.look;

/** Whether everything is shown dark on light or light on dark. */
public enum Scheme {
  LIGHT,
  DARK
}
