# How the application's Java is started, the same for use and for the benchmark. The first compiler alone starts in
# 5 s instead of 7 and serves pages as fast (docs/benchmarks.md); KILN_RYU_COMPILER=4 brings the second one in.
JAVA_FLAGS=(-Xmx1g -XX:+UseSerialGC "-XX:TieredStopAtLevel=${KILN_RYU_COMPILER:-1}")
