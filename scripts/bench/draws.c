/*
 * What the draws of `core/sure` do, in C: the same generator, the same normals, the same sums. It says how fast the
 * machine can do it; `npm run bench:sure` compiles it where there is a compiler and prints how much longer ours takes.
 *
 *   draws LINES NUTRIENTS ROUNDS
 */
#include <math.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

typedef struct {
	uint64_t a, b;
} generator;

static inline int32_t next(generator *g) {
	const uint64_t a = g->a, b = g->b ^ g->a;
	const int32_t out = (int32_t)(g->a + g->b);
	g->a = ((a << 24) | (a >> 40)) ^ b ^ (b << 16);
	g->b = (b << 37) | (b >> 27);
	return out;
}

static inline double uniform(generator *g) {
	return (double)(uint32_t)next(g) / 4294967296.0;
}

static inline double normal(generator *g, double *second) {
	double x, y, square;
	do {
		x = next(g) / 2147483648.0;
		y = next(g) / 2147483648.0;
		square = x * x + y * y;
	} while (square >= 1 || square == 0);
	const double factor = sqrt(-2 * log(square) / square);
	*second = y * factor;
	return x * factor;
}

int main(int count, char **args) {
	if (count < 4) return 2;
	const int lines = atoi(args[1]), nutrients = atoi(args[2]), rounds = atoi(args[3]);
	const int values = lines * nutrients;
	generator *of = malloc(sizeof(generator) * (size_t)(values + lines));
	double *found = malloc(sizeof(double) * (size_t)nutrients * (size_t)rounds);
	double *grams = malloc(sizeof(double) * (size_t)lines), *sums = malloc(sizeof(double) * (size_t)nutrients);
	double *spare = malloc(sizeof(double) * (size_t)values);
	for (int i = 0; i < values + lines; i++)
		of[i] = (generator){0x9e3779b97f4a7c15u * (uint64_t)(i + 1), 0xbf58476d1ce4e5b9u ^ (uint64_t)i};
	const double sigma = sqrt(log(1 + 0.1 * 0.1)), half = sigma * sigma / 2;
	struct timespec begun, ended;
	clock_gettime(CLOCK_MONOTONIC, &begun);
	for (int round = 0; round < rounds; round++) {
		double dough = 0;
		for (int line = 0; line < lines; line++) {
			grams[line] = 100 + uniform(&of[values + line]) - 0.5;
			dough += grams[line];
		}
		for (int k = 0; k < nutrients; k++) sums[k] = 0;
		for (int line = 0; line < lines; line++) {
			const double mass = grams[line] * 60 / dough;
			for (int k = 0; k < nutrients; k++) {
				const int value = line * nutrients + k;
				/* Two at a time, as they come. */
				const double z = round % 2 == 0 ? normal(&of[value], &spare[value]) : spare[value];
				sums[k] += mass * 10 * exp(sigma * z - half) / 100;
			}
		}
		for (int k = 0; k < nutrients; k++) found[(size_t)k * (size_t)rounds + (size_t)round] = sums[k] / 52 * 52;
	}
	clock_gettime(CLOCK_MONOTONIC, &ended);
	double check = 0;
	for (int k = 0; k < nutrients; k++) check += found[(size_t)k * (size_t)rounds];
	const double ms = (double)(ended.tv_sec - begun.tv_sec) * 1e3 + (double)(ended.tv_nsec - begun.tv_nsec) / 1e6;
	printf("%.3f %.6f\n", ms, check);
	return 0;
}
