# How the application's Java is started, the same for use and for the benchmark. A young generation large enough for the
# start spares it full collections: 5 s to the first page instead of 7, measured on two cores.
JAVA_FLAGS=(-Xms600m -Xmn400m -Xmx1g -XX:+UseSerialGC -XX:-UsePerfData)
