/* The matrix arithmetic of a large mix alone, as plain C: arguments INPUTS OUTPUTS, blocks of 64 frames. For every line it
   reads it runs 100 blocks and prints the nanoseconds of one, so that it can be measured in turns with something else. */
#define _POSIX_C_SOURCE 199309L
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

enum { MOST = 160, FRAMES = 64, BLOCKS = 100 };

static float in[MOST][FRAMES], out[MOST][FRAMES], gain[MOST][MOST];

static double now(void) {
    struct timespec t;
    clock_gettime(CLOCK_MONOTONIC, &t);
    return (double)t.tv_sec * 1e9 + (double)t.tv_nsec;
}

int main(int count, char **arguments) {
    int inputs = count > 1 ? atoi(arguments[1]) : 64, outputs = count > 2 ? atoi(arguments[2]) : 34;
    for (int i = 0; i < inputs; i++)
        for (int n = 0; n < FRAMES; n++) in[i][n] = (float)((i * 37 + n * 11) % 101) / 101 - 0.5f;
    for (int o = 0; o < outputs; o++)
        for (int i = 0; i < inputs; i++) gain[o][i] = (float)((o * 13 + i * 7) % 17) / 170;
    float sum = 0;
    char line[8];
    while (fgets(line, sizeof line, stdin)) {
        double begin = now();
        for (int block = 0; block < BLOCKS; block++) {
            in[block % inputs][block % FRAMES] += 1e-6f;
            for (int o = 0; o < outputs; o++) {
                float *restrict to = out[o];
                for (int n = 0; n < FRAMES; n++) to[n] = 0;
                for (int i = 0; i < inputs; i++) {
                    const float *restrict from = in[i];
                    const float g = gain[o][i];
                    for (int n = 0; n < FRAMES; n++) to[n] += g * from[n];
                }
            }
            sum += out[block % outputs][0];
        }
        printf("%.1f %g\n", (now() - begin) / BLOCKS, sum);
        fflush(stdout);
    }
    return 0;
}
