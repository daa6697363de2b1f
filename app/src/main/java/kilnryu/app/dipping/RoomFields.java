package kilnryu.app.dipping;

import static kilnryu.app.sheet.Declared.Page.ROOM;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;
import static kilnryu.app.sheet.Declared.whole;

import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.Declared.Whole;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;

/** The fields of the drying room: its racks, its hours, its usual day. */
public final class RoomFields {
    private static final Range SPEED = new Range(Measure.TIMES, 0, 20);
    private static final Range MINUTES = new Range(Measure.MINUTE, 1, 240);

    static final Text RACK = text("racks[].name", 40, "Rack", "rack B", ROOM);
    static final Whole PLACES = whole("racks[].places", 1, 500, "Pieces on it", "6", ROOM);
    static final Text OPENS = text("opens", 8, "from", "08:00", ROOM);
    static final Text CLOSES = text("closes", 8, "to", "18:00", ROOM);
    static final Text DAYS = text("days", 80, "on", "mon tue wed thu fri", ROOM);
    static final Quantity DIP_TAKES = quantity("per_dip_min", MINUTES, "One dip takes", "10 min", ROOM);
    static final Text DAY =
            text("day", 400, "Hour temperature/humidity, as many as needed", "8 17/65, 15 23/48, 22 19/60", ROOM);
    static final Quantity AIR = quantity("air_m_s", SPEED, "Air past the shells, m/s", "1", ROOM);

    public static final FieldList ALL = FieldList.of(RACK, PLACES, OPENS, CLOSES, DAYS, DIP_TAKES, DAY, AIR);

    private RoomFields() {}
}
