package kilnryu.core.mesh;

/** Three directions at right angles: across, along and up. */
record Turn(Vec across, Vec along, Vec up) {

    /** Any turn that brings a direction up; the file's own axes when that is up already. */
    static Turn upright(Vec up) {
        Vec u = up.unit();
        Vec helper = Math.abs(u.z()) > 0.9 ? new Vec(0, 1, 0) : new Vec(0, 0, 1);
        Vec across = helper.cross(u).unit();
        return new Turn(across, u.cross(across), u);
    }

    Vec turned(Vec v) {
        return new Vec(v.dot(across), v.dot(along), v.dot(up));
    }

    Vec back(Vec v) {
        return across.times(v.x()).plus(along.times(v.y())).plus(up.times(v.z()));
    }
}
