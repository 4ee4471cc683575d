# Where set-outcome.csv comes from: Rscript set-outcome.R > set-outcome.csv (R 4.2).
# The share of buds that hold fruit is p (1 + s Z), p a Beta of mean m and standard deviation sd, Z normal and never
# so far that less than nothing is left; with chance c a share l of it is lost. Adaptive quadrature (integrate), roots
# by uniroot.
beta <- function(m, sd) { k <- m*(1-m)/sd^2 - 1; c(m*k, (1-m)*k) }
parts <- c(1e-6, .001, .01, .05, .25, .5, .75, .95, .99, .999, 1 - 1e-6)
pieces <- function(f, cuts) sum(sapply(seq_along(cuts)[-1], function(i)
  integrate(f, cuts[i-1], cuts[i], rel.tol=1e-10, subdivisions=400, stop.on.error=FALSE)$value))
cdf1 <- function(x, m, sd, s) { ab <- beta(m, sd)
  if (s == 0) return(pbeta(x, ab[1], ab[2]))
  f <- function(p) dbeta(p, ab[1], ab[2]) * pnorm((x/p - 1)/s)
  lo <- max(1e-9, m - 40*sd); hi <- min(1 - 1e-12, m + 40*sd)
  cuts <- sort(unique(c(lo, qbeta(parts, ab[1], ab[2]),
    min(max(x,lo),hi), min(max(x/(1+3*s),lo),hi), min(max(x/(1-min(.9,3*s)),lo),hi), hi)))
  pieces(f, cuts) }
# mean below: E[x; x<=q]
mb1 <- function(q, m, sd, s) { ab <- beta(m, sd)
  if (s == 0) return(m * pbeta(q, ab[1]+1, ab[2]))
  # E[p M 1(pM<=q)] = int p f(p) [ Phi(t) - s phi(t) ] dp, t=(q/p-1)/s, truncated at M>=0 (negligible below)
  f <- function(p) { t <- (q/p - 1)/s; p*dbeta(p, ab[1], ab[2])*((pnorm(t)-pnorm(-1/s)) - s*(dnorm(t)-dnorm(-1/s))) }
  lo <- max(1e-9, m - 40*sd); hi <- min(1 - 1e-12, m + 40*sd)
  cuts <- sort(unique(c(lo, qbeta(parts, ab[1], ab[2]),
    min(max(q,lo),hi), min(max(q/(1+3*s),lo),hi), hi)))
  pieces(f, cuts) }
cdf <- function(x,m,sd,s,c,l) (1-c)*cdf1(x,m,sd,s) + c*cdf1(x/(1-l),m,sd,s)
mb <- function(x,m,sd,s,c,l) (1-c)*mb1(x,m,sd,s) + c*(1-l)*mb1(x/(1-l),m,sd,s)
reach <- function(m,sd,s,a,c=0,l=0) 1/uniroot(function(x) cdf(x,m,sd,s,c,l)-(1-a), c(1e-6, 2.4), tol=1e-12)$root
cheap <- function(m,sd,s,o,u,c=0,l=0) { all <- mb(50,m,sd,s,c,l)
  1/uniroot(function(x) mb(x,m,sd,s,c,l)/all - o/(o+u), c(1e-6,2.4), tol=1e-12)$root }
cat("school,mean,sd,pruning_sd,asks,factor\n")
for (m in c(.05, .25, .62, .9)) for (r in c(.02, .1, .35)) for (s in c(0, .03, .1, .25)) {
  sd <- max(.01, r * m)
  if (sd >= sqrt(m * (1 - m) / (1 + 1 / min(m, 1 - m))) * .99) next
  sd <- signif(sd, 4)
  for (a in c(.6, .8, .95, .99)) cat(sprintf("reached,%g,%g,%g,%g,%.4f\n", m, sd, s, a, reach(m, sd, s, a)))
  for (o in c(.02, .4)) cat(sprintf("cheapest,%g,%g,%g,%g,%.4f\n", m, sd, s, o, cheap(m, sd, s, o, .11)))
}
