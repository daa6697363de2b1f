package kilnryu.core.quantity;

/** Something typed that is not a quantity of the kind asked for; the message is for the one who typed it. */
public final class UnreadableQuantity extends Exception {
    private static final long serialVersionUID = 1L;

    public UnreadableQuantity(String message) {
        super(message);
    }
}
