# Posterior of a planting's set by the sum over a fine grid: prior means normal around the variety's with .08,
# logarithms of the spread with .4, Beta likelihood of a single peak, "at least" as its upper tail.
post <- function(exact, least, m0, s0, n = 701) {
  g <- expand.grid(u = seq(-3.5, 3.5, length = n), v = seq(-3.5, 3.5, length = n))
  g$m <- m0 + .08 * g$u
  g$s <- s0 * exp(.4 * g$v)
  g$k <- g$m * (1 - g$m) / g$s^2 - 1
  g <- subset(g, m > 0 & m < 1 & m * k > 1 & (1 - m) * k > 1)
  l <- -(g$u^2 + g$v^2) / 2
  for (x in exact) l <- l + dbeta(x, g$m * g$k, (1 - g$m) * g$k, log = TRUE)
  for (x in least) l <- l + pbeta(x, g$m * g$k, (1 - g$m) * g$k, lower.tail = FALSE, log.p = TRUE)
  w <- exp(l - max(l)) / sum(exp(l - max(l)))
  mean <- sum(w * g$m)
  c(mean, sqrt(sum(w * (g$s^2 + (g$m - mean)^2))))
}
print(post(c(.55, .5), .7, .62, .1))
print(post(c(.42, .38, .45, .4), NULL, .62, .1))
print(post(NULL, c(.8, .75, .82), .62, .08))
