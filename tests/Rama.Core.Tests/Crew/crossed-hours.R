# How much longer plantings and crews take, from six row sets: estate, planting and crew a third of .35^2 each, .25^2
# within a set, sets by their trees.
options(digits = 12)
p <- c(1, 1, 2, 2, 3, 3)
crew <- c(1, 2, 1, 1, 2, 2)
r <- c(.21, .34, .08, .27, -.1, .05)
trees <- c(100, 200, 150, 50, 120, 180)
part <- .35^2 / 3
Zp <- outer(p, 1:3, "==")
Zc <- outer(crew, 1:2, "==")
V <- part * (1 + Zp %*% t(Zp) + Zc %*% t(Zc)) + diag(.25^2 * mean(trees) / trees)
told <- function(of, k, prior) {
  cat(of, sum(k * solve(V, r)), sqrt(prior - t(k) %*% solve(V, k)), "\n")
}
told("planting 1", part * (1 + Zp[, 1]), 2 * part)
told("planting 2 with crew 2", part * (1 + Zp[, 2] + Zc[, 2]), 3 * part)
told("crew 1", part * Zc[, 1], part)
