/* The matrix arithmetic of a large mix alone: 64 inputs into 34 outputs, blocks of 64 frames. Prints times real time at 48 kHz. */
#define _POSIX_C_SOURCE 199309L
#include <stdio.h>
#include <time.h>

enum { INPUTS = 64, OUTPUTS = 34, FRAMES = 64, BLOCKS = 200000 };

static float in[INPUTS][FRAMES], out[OUTPUTS][FRAMES], gain[OUTPUTS][INPUTS];

int main(void) {
    for (int i = 0; i < INPUTS; i++)
        for (int n = 0; n < FRAMES; n++) in[i][n] = (float)((i * 37 + n * 11) % 101) / 101 - 0.5f;
    for (int o = 0; o < OUTPUTS; o++)
        for (int i = 0; i < INPUTS; i++) gain[o][i] = (float)((o * 13 + i * 7) % 17) / 170;
    struct timespec begin, end;
    clock_gettime(CLOCK_MONOTONIC, &begin);
    float sum = 0;
    for (int block = 0; block < BLOCKS; block++) {
        in[block % INPUTS][block % FRAMES] += 1e-6f;
        for (int o = 0; o < OUTPUTS; o++) {
            float *restrict to = out[o];
            for (int n = 0; n < FRAMES; n++) to[n] = 0;
            for (int i = 0; i < INPUTS; i++) {
                const float *restrict from = in[i];
                const float g = gain[o][i];
                for (int n = 0; n < FRAMES; n++) to[n] += g * from[n];
            }
        }
        sum += out[block % OUTPUTS][0];
    }
    clock_gettime(CLOCK_MONOTONIC, &end);
    double seconds = (double)(end.tv_sec - begin.tv_sec) + (double)(end.tv_nsec - begin.tv_nsec) / 1e9;
    printf("%.0f times real time (check sum %g)\n", (double)BLOCKS * FRAMES / 48000 / seconds, sum);
    return 0;
}
