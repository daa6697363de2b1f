# How the application's Java is started, the same for use and for the benchmark. A young generation large enough for the
# start spares it full collections.
JAVA_FLAGS=(-Xms600m -Xmn400m -Xmx1g -XX:+UseSerialGC -XX:-UsePerfData)
# Out of memory it ends at once, with 3, and is started again: half an application that lingers loses more.
JAVA_FLAGS+=(-XX:+ExitOnOutOfMemoryError)
# Beans prepared by the build (process-aot) and classes shared from an archive: 5 s to the first page instead of 7.
JAVA_FLAGS+=(-Dspring.aot.enabled=true)
