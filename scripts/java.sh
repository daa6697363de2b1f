# How the application's Java is started, the same for use and for the benchmark. A young generation large enough for the
# start spares it full collections.
JAVA_FLAGS=(-Xms600m -Xmn400m -XX:+UseSerialGC -XX:-UsePerfData)
# A quarter of the machine's memory, from 1 GB to 2.5: so much bears a tree of eight million cells. It is taken when needed.
memory_mb=$(awk '/^MemTotal:/ { print int($2 / 1024) }' /proc/meminfo 2>/dev/null || echo 0)
heap_mb=$((${memory_mb:-0} / 4))
[ "$heap_mb" -ge 1024 ] || heap_mb=1024
[ "$heap_mb" -le 2560 ] || heap_mb=2560
JAVA_FLAGS+=("-Xmx${heap_mb}m")
# Out of memory it ends at once, with 3, and is started again: half an application that lingers loses more.
JAVA_FLAGS+=(-XX:+ExitOnOutOfMemoryError)
# Beans prepared by the build (process-aot) and classes shared from an archive: 5 s to the first page instead of 7.
JAVA_FLAGS+=(-Dspring.aot.enabled=true)
