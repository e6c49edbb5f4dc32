/* The loop of core/simulate/monte-carlo.ts in C, to be compared with: the same generator, the same pulls, the same numbers.
 * Reads: fasteners, pulls, runs, friction, tool; the matrix; fastener and share of each pull. Prints milliseconds and the mean final force. */
#include <math.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

static uint64_t s0, s1;

static uint32_t next32(void) {
  const uint64_t a = s0;
  uint64_t b = s1;
  const uint32_t out = (uint32_t)(a + b);
  b ^= a;
  s0 = ((a << 24) | (a >> 40)) ^ b ^ (b << 16);
  s1 = (b << 37) | (b >> 27);
  return out;
}

static double within(void) { return ((int32_t)next32() + 0.5) / 2147483648.0; }

static double spare;
static int has_spare;

static double normal(void) {
  if (has_spare) {
    has_spare = 0;
    return spare;
  }
  double x, y, square;
  do {
    x = within();
    y = within();
    square = x * x + y * y;
  } while (square >= 1);
  const double stretch = sqrt(-2 * log(square) / square);
  spare = y * stretch;
  has_spare = 1;
  return x * stretch;
}

static int ascending(const void *a, const void *b) {
  const double x = *(const double *)a, y = *(const double *)b;
  return (x > y) - (x < y);
}

int main(void) {
  int n, pulls, runs, passes;
  double friction, tool;
  if (scanf("%d %d %d %d %lf %lf", &n, &pulls, &runs, &passes, &friction, &tool) != 6) return 1;
  double *matrix = malloc(sizeof(double) * n * n), *share = malloc(sizeof(double) * pulls);
  int *which = malloc(sizeof(int) * pulls);
  for (int i = 0; i < n * n; i++) if (scanf("%lf", &matrix[i]) != 1) return 1;
  for (int i = 0; i < pulls; i++) if (scanf("%d %lf", &which[i], &share[i]) != 2) return 1;
  double *finals = malloc(sizeof(double) * n * runs), *spreads = malloc(sizeof(double) * passes * runs);
  double *forces = malloc(sizeof(double) * n), *factor = malloc(sizeof(double) * n);
  s0 = 0x1234567890abcdefULL;
  s1 = 0xfedcba0987654321ULL;
  struct timespec from, to;
  clock_gettime(CLOCK_MONOTONIC, &from);
  int inside = 0;
  for (int run = 0; run < runs; run++) {
    memset(forces, 0, sizeof(double) * n);
    for (int i = 0; i < n; i++) {
      const double f = 1 + friction * normal();
      factor[i] = 1 / (f > 0.2 ? f : 0.2);
    }
    for (int at = 0; at < pulls; at++) {
      const int j = which[at];
      const double wanted = share[at] * factor[j] * (1 + tool * normal());
      const double gained = wanted - forces[j];
      if (gained > 0) {
        forces[j] = wanted;
        for (int i = 0; i < n; i++) {
          const double left = forces[i] - matrix[j * n + i] * gained;
          forces[i] = left > 0 ? left : 0;
        }
      }
      if ((at + 1) % (pulls / passes) == 0) {
        double low = INFINITY, high = -INFINITY;
        for (int i = 0; i < n; i++) {
          if (forces[i] < low) low = forces[i];
          if (forces[i] > high) high = forces[i];
        }
        spreads[(size_t)((at + 1) / (pulls / passes) - 1) * runs + run] = high - low;
      }
    }
    int is_inside = 1;
    for (int i = 0; i < n; i++) {
      finals[(size_t)i * runs + run] = forces[i];
      if (fabs(forces[i] - 1) > 0.3) is_inside = 0;
    }
    inside += is_inside;
  }
  double mean = 0;
  for (size_t i = 0; i < (size_t)n * runs; i++) mean += finals[i] / ((double)n * runs);
  for (int i = 0; i < n; i++) qsort(finals + (size_t)i * runs, runs, sizeof(double), ascending);
  for (int p = 0; p < passes; p++) qsort(spreads + (size_t)p * runs, runs, sizeof(double), ascending);
  clock_gettime(CLOCK_MONOTONIC, &to);
  printf("%.3f %.6f %d %.6f\n", (to.tv_sec - from.tv_sec) * 1e3 + (to.tv_nsec - from.tv_nsec) / 1e6, mean, inside,
         spreads[runs / 2]);
  return 0;
}
