package kilnryu.core.finding;

/** Stops block the start of work; warnings and notes do not. Most severe first. */
public enum Severity {
    STOP,
    WARN,
    NOTE
}
