"""Set and prove: what was set, run in and checked, and the closing of a job."""

from ample.core.assembly.proof.judge import check_proof, judge_proof, may_close
from ample.core.assembly.proof.judged import OpenTorque, ProofFacts, ProofJudged
from ample.core.assembly.proof.sheet import ProofSheet

__all__ = [
    "OpenTorque",
    "ProofFacts",
    "ProofJudged",
    "ProofSheet",
    "check_proof",
    "judge_proof",
    "may_close",
]
