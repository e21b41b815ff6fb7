/*
 * The bench's reference: a warm floor through a winter, stepped at 5 s with explicit Euler steps, the relay looked at in each. The
 * same equations as the scenario that bench/season.ts makes: slab, room and shell, a lagging probe, a pump with least times, water by
 * a reset line, a trace each minute. Written for this bench alone.
 *
 * Reads from standard input: hours, then that many outdoor temperatures, then the number of variants, then for each: days, trace
 * (0 or 1), cut-in, cut-out, least off time. Prints for each: energy in kWh, starts, mean room, and at the end the milliseconds of all.
 */
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

static double now_ms(void) {
  struct timespec t;
  clock_gettime(CLOCK_MONOTONIC, &t);
  return t.tv_sec * 1e3 + t.tv_nsec / 1e6;
}

static double supply(double outdoor) {
  double held = outdoor < -14 ? -14 : outdoor > 18 ? 18 : outdoor;
  return 43 - (43.0 - 26.0) / (18.0 + 14.0) * (held + 14);
}

int main(void) {
  int hours, variants;
  if (scanf("%d", &hours) != 1) return 1;
  double *outdoor = malloc(sizeof(double) * hours);
  for (int i = 0; i < hours; i++)
    if (scanf("%lf", &outdoor[i]) != 1) return 1;
  if (scanf("%d", &variants) != 1) return 1;
  double total = 0;
  for (int v = 0; v < variants; v++) {
    int days, traced;
    double on_c, off_c, least_off;
    if (scanf("%d %d %lf %lf %lf", &days, &traced, &on_c, &off_c, &least_off) != 5) return 1;
    const double dt = 5, least_on = 180;
    long steps = (long)days * 86400 / 5;
    double *trace = traced ? malloc(sizeof(double) * 5 * (steps / 12 + 1)) : NULL;
    double from = now_ms();
    double slab = 24, room = 20, shell = 15, probe = 20, joule = 0, sum = 0;
    double since = -1e18;
    int on = 0;
    long starts = 0, points = 0;
    for (long i = 0; i < steps; i++) {
      double t = i * dt;
      long hour = i / 720;
      double a = outdoor[hour % hours], b = outdoor[(hour + 1) % hours];
      double out = a + (b - a) * (t - hour * 3600.0) / 3600.0;
      int wants = on ? probe < off_c : probe <= on_c;
      if (wants != on && t - since >= (on ? least_on : least_off)) {
        on = wants;
        since = t;
        starts += on;
      }
      if (traced && i % 12 == 0) {
        double *row = trace + 5 * points++;
        row[0] = t, row[1] = slab, row[2] = room, row[3] = shell, row[4] = on;
        sum += room;
      }
      double heat = on ? 300 * (supply(out) - slab) : 0;
      double up = 320 * (slab - room), through = 200 * (room - shell);
      double d_slab = (heat - up) / 9.0e6;
      double d_room = (up - through - 40 * (room - out) + 250) / 1.2e6;
      double d_shell = (through - 150 * (shell - out)) / 1.5e7;
      double d_probe = (room - probe) / 120;
      joule += heat * dt;
      slab += d_slab * dt, room += d_room * dt, shell += d_shell * dt, probe += d_probe * dt;
    }
    total += now_ms() - from;
    printf("%.6f %ld %.6f\n", joule / 3.6e6, starts, traced ? sum / points : room);
    free(trace);
  }
  printf("%.3f\n", total);
  return 0;
}
